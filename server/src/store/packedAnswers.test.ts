import { gunzipSync } from 'node:zlib';
import type { TestDatabase } from '../../test-support/demoDatabase';
import { emptyDatabase } from '../../test-support/demoDatabase';
import { packedAnswer, unpack } from './packedAnswers';
import type { Database } from './sql/database';
import { openShop } from './yard/shops';

let test: TestDatabase;
let db: Database;
beforeEach(async () => {
  test = await emptyDatabase();
  db = test.db;
});
afterEach(() => test.end());

const textOf = async (answer: Promise<Buffer>) => String(gunzipSync(await answer));
const says = (text: string) => () => Promise.resolve(text);

describe('an answer that is packed', () => {
  it('is made once until it is forgotten, by whoever asks meanwhile', async () => {
    const both = [packedAnswer(db, 'yard', says('first')), packedAnswer(db, 'yard', says('other'))];
    expect(await Promise.all(both.map(textOf))).toEqual(['first', 'first']);
    expect(await textOf(packedAnswer(db, 'yard', says('second')))).toBe('first');
    unpack(db, 'yard');
    expect(await textOf(packedAnswer(db, 'yard', says('second')))).toBe('second');
  });

  it('is kept by nobody where it was forgotten while it was made, or failed', async () => {
    const old = packedAnswer(db, 'yard', says('old'));
    unpack(db);
    const fresh = packedAnswer(db, 'yard', says('new'));
    expect(await Promise.all([old, fresh].map(textOf))).toEqual(['old', 'new']);
    expect(await textOf(packedAnswer(db, 'yard', says('newer')))).toBe('new');
    const failing = () => Promise.reject(new Error('It failed.'));
    await expect(packedAnswer(db, 'machine', failing)).rejects.toThrow('It failed.');
    expect(await textOf(packedAnswer(db, 'machine', says('again')))).toBe('again');
  });

  it('is not kept of before a transaction, whenever in it somebody asked', async () => {
    await packedAnswer(db, 'yard', says('before'));
    await db.derive(async () => {
      unpack(db, 'yard');
      expect(await textOf(packedAnswer(db, 'yard', says('still before')))).toBe('before');
    });
    expect(await textOf(packedAnswer(db, 'yard', says('after')))).toBe('after');
    const undone = db.derive(() => {
      unpack(db, 'yard');
      return Promise.reject(new Error('It is not kept.'));
    });
    await expect(undone).rejects.toThrow('It is not kept.');
    expect(await textOf(packedAnswer(db, 'yard', says('never')))).toBe('after');
  });

  it('is of one shop', async () => {
    const other = await openShop(db, 'Another');
    await packedAnswer(db, 'yard', says('its own'));
    expect(await textOf(packedAnswer(other, 'yard', says('the other’s')))).toBe('the other’s');
    unpack(other);
    expect(await textOf(packedAnswer(db, 'yard', says('new')))).toBe('its own');
  });
});
