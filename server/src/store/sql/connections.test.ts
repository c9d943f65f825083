import { AnyRow } from '../../../test-support/anyRow';
import * as v from 'valibot';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Transaction } from 'sequelize';
import type { Database } from './database';
import { openDatabase } from './database';

let folder: string;
let db: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'longbar-connections-'));
  db = await openDatabase(folder);
});
afterEach(async () => {
  await db.close();
  rmSync(folder, { recursive: true, force: true });
});

const generation = async () => {
  const [row] = await db.whole.rows(
    v.object({ generation: v.string() }),
    'SELECT generation FROM identity',
  );
  return row?.generation;
};
const SET = 'UPDATE identity SET generation = $1';

describe('the connections of a database', () => {
  it('answer more kinds of questions at once than they keep prepared', async () => {
    const asked = Array.from({ length: 450 }, (_, n) => n);
    const told = await Promise.all(
      [...asked, ...asked].map((n) =>
        db.whole.rows(v.object({ n: v.number() }), `SELECT ${n} + $1 AS n`, [1]),
      ),
    );
    expect(told.map(([row]) => row?.n)).toEqual([...asked, ...asked].map((n) => n + 1));
  });

  it('go on after a statement that is none', async () => {
    await expect(db.whole.rows(AnyRow, 'SELECT some FROM nowhere')).rejects.toThrow(
      'no such table',
    );
    await expect(db.whole.rows(AnyRow, 'SELECT some FROM nowhere')).rejects.toThrow(
      'no such table',
    );
    expect(await db.whole.rows(AnyRow, 'SELECT 1 AS one')).toEqual([{ one: 1 }]);
  });

  it('keep all that one piece of work wrote, by models and by statements, or nothing', async () => {
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

  it('take nothing for a piece of work that has ended, and do one after the other', async () => {
    let ended: Transaction | undefined;
    const order: string[] = [];
    await Promise.all([
      db.write(async (transaction) => {
        ended = transaction;
        await db.whole.run(SET, ['first'], transaction);
        order.push('first');
      }),
      db.write(async (transaction) => {
        expect(
          await db.whole.rows(AnyRow, 'SELECT generation FROM identity', [], transaction),
        ).toEqual([{ generation: 'first' }]);
        await expect(db.whole.run(SET, ['late'], ended!)).rejects.toThrow('has ended');
        order.push('second');
      }),
    ]);
    expect(order).toEqual(['first', 'second']);
    expect(await generation()).toBe('first');
  });
});
