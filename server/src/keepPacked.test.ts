import { localDay } from '@longbar/core';
import type { TestDatabase } from '../test-support/demoDatabase';
import { demoDatabase } from '../test-support/demoDatabase';
import { keepPacked } from './keepPacked';
import { logOf } from './log';
import { packedPage } from './store/derived/packedPages';
import { isPacked, unpack } from './store/packedAnswers';

let made: TestDatabase;
beforeAll(async () => (made = await demoDatabase()));
beforeEach(() =>
  jest.useFakeTimers({
    doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask', 'performance', 'Date'],
  }),
);
afterEach(() => jest.useRealTimers());
afterAll(() => made.end());

it('packs the pages of every shop after the start and from minute to minute, until it is ended', async () => {
  const { db } = made;
  const lines: string[] = [];
  const end = keepPacked(db, logOf('info', { write: (line) => lines.push(line) }));
  expect(isPacked(db, 'yard')).toBe(false);
  await inTime(() => isPacked(db, 'yard'));
  await packedPage(db, 'yard', localDay(new Date()));
  unpack(db);
  await inTime(() => isPacked(db, 'yard'));
  await end();
  unpack(db);
  await jest.advanceTimersByTimeAsync(120_000);
  expect(isPacked(db, 'yard')).toBe(false);
  expect(lines).toEqual([]);
});

/** Lets time go by until something is so. */
async function inTime(isSo: () => boolean): Promise<void> {
  while (!isSo()) {
    jest.advanceTimersByTime(100);
    await new Promise((resolve) => setImmediate(resolve));
  }
}
