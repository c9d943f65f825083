import * as v from 'valibot';
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { AnyRow } from '../../../test-support/anyRow';
import type { TestDatabase } from '../../../test-support/demoDatabase';
import { emptyDatabase } from '../../../test-support/demoDatabase';
import type { Database } from './database';

let made: TestDatabase;
let db: Database;
beforeEach(async () => {
  made = await emptyDatabase();
  db = made.db;
});
afterEach(() => made.end());

const GENERATION = 'SELECT generation FROM identity';
const KeptSchema = v.object({ generation: v.string() });
const generation = async () => {
  const [row] = await db.whole.rows(KeptSchema, GENERATION);
  return row?.generation;
};
const NOWHERE = 'SELECT one FROM nowhere';
const SET = 'UPDATE identity SET generation = $1';

describe('a database', () => {
  it('answers more kinds of questions at once than they keep prepared', async () => {
    const asked = Array.from({ length: 600 }, (_, n) => n);
    const told = await Promise.all(
      [...asked, ...asked].map((n) =>
        db.whole.rows(v.object({ n: v.number() }), `SELECT ${n} + $1 AS n`, [1]),
      ),
    );
    expect(told.map(([row]) => row?.n)).toEqual([...asked, ...asked].map((n) => n + 1));
  });

  it('goes on after a statement that is none', async () => {
    await expect(db.whole.rows(AnyRow, NOWHERE)).rejects.toThrow(/nowhere/);
    await expect(db.whole.rows(AnyRow, NOWHERE)).rejects.toThrow(/nowhere/);
    expect(await db.whole.rows(AnyRow, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
  });

  it('keeps all that one piece of work wrote, by models and by statements, or nothing', async () => {
    const before = await generation();
    const failing = db.write(async (transaction) => {
      await db.whole.run(SET, ['half'], transaction);
      await db.tables.shops.update({ name: 'Half' }, { where: {}, transaction });
      throw new Error('No further.');
    });
    await expect(failing).rejects.toThrow('No further.');
    expect(await generation()).toBe(before);
    await db.write((transaction) => db.whole.run(SET, ['whole'], transaction));
    expect(await generation()).toBe('whole');
  });

  it('takes nothing for a piece of work that has ended', async () => {
    const ended = await db.write(async (transaction: Transaction) => transaction);
    await db.write(async () => {
      await expect(db.whole.run(SET, ['late'], ended)).rejects.toThrow('has ended');
    });
    expect(await generation()).not.toBe('late');
  });

  it('does one piece of work after the other, however many begin at once', async () => {
    await db.write((transaction) => db.whole.run(SET, ['0'], transaction));
    const addOne = () =>
      db.write(async (transaction) => {
        const [row] = await db.whole.rows(KeptSchema, GENERATION, [], transaction);
        await db.whole.run(SET, [String(Number(row?.generation) + 1)], transaction);
      });
    await Promise.all(Array.from({ length: 30 }, addOne));
    expect(await generation()).toBe('30');
  });

  it('keeps nothing that belongs to nothing', async () => {
    const orphan = { id: randomUUID(), job: randomUUID(), n: 1, body: {} as never, receivedAt: '' };
    await expect(
      db.write((transaction) => db.tables.events.create(orphan, { transaction })),
    ).rejects.toThrow(/foreign key/i);
  });

  it('takes back one part of a piece of work that failed, and goes on with the rest', async () => {
    await db.write(async (transaction) => {
      const run = (sql: string) => db.whole.run(sql, [], transaction);
      await run('SAVEPOINT one');
      await expect(run('UPDATE nowhere SET one = 1')).rejects.toThrow(/nowhere/);
      await run('ROLLBACK TO one');
      await db.whole.run(SET, ['rest'], transaction);
    });
    expect(await generation()).toBe('rest');
  });
});
