import type { TestDatabase } from '../../test-support/demoDatabase';
import { demoDatabase } from '../../test-support/demoDatabase';
import { NOW } from '../../test-support/now';
import { oneNight } from '../oneNight';
import { isLookOld, noteLook } from './lastLook';
import { openDatabase } from './sql/database';

let test: TestDatabase;
beforeEach(async () => {
  test = await demoDatabase();
});
afterEach(() => test.end());

const hoursOn = (hours: number) => new Date(NOW.getTime() + hours * 3_600_000);

describe('a look through all of the database', () => {
  it('is due where there was none, the last is old, or from a clock that was ahead', async () => {
    const { db } = test;
    expect(await isLookOld(db, NOW, 30)).toBe(true);
    await noteLook(db, NOW);
    expect(await isLookOld(db, NOW, 30)).toBe(false);
    expect(await isLookOld(db, hoursOn(29), 30)).toBe(false);
    expect(await isLookOld(db, hoursOn(31), 30)).toBe(true);
    expect(await isLookOld(db, hoursOn(-31), 30)).toBe(true);
  });

  it('is had once a night, whichever process comes first, and never of what is damaged', async () => {
    const beside = await openDatabase(test.folder, { url: test.url });
    let looks = 0;
    const [one, other] = [test.db, beside].map((db) => ({
      ...db,
      look: (thorough: boolean) => {
        looks += 1;
        return db.look(thorough);
      },
    }));
    await oneNight(one!, undefined);
    expect(looks).toBe(0);
    await oneNight(one!, 12);
    await oneNight(other!, 12);
    expect(looks).toBe(1);
    await noteLook(test.db, hoursOn(-1000));
    await oneNight({ ...one!, damage: () => 'It is damaged.' }, 12);
    expect(looks).toBe(2);
    // Nothing was written, so the next has to look.
    expect(await isLookOld(test.db, new Date(), 12)).toBe(true);
    await beside.close();
  });
});
