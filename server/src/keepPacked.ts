import { localDay } from '@longbar/core';
import type { Logger } from 'pino';
import { packAhead } from './store/derived/packedPages';
import type { Database } from './store/sql/database';
import { forEachShop } from './store/yard/shops';

/** After the start, and after each look at what is packed, ms. */
const [FIRST, EVERY] = [1000, 60_000];

/**
 * Keeps the pages of every yard packed before anybody asks for them, and what falls due by the day
 * worked out before the first phone of the morning. A failure is logged and tried again. Answers
 * what ends it, which waits until it has.
 */
export function keepPacked(db: Database, logger: Logger): () => Promise<void> {
  let ended = false;
  let timer: NodeJS.Timeout;
  let working = Promise.resolve();
  const goesOn = () => !ended && db.damage() === null;
  const work = () =>
    forEachShop(db, (shop) => packAhead(shop, localDay(new Date()), goesOn)).catch(
      (error: unknown) => logger.error(error, 'Pages could not be packed ahead.'),
    );
  const inTurn = (wait: number) => {
    timer = setTimeout(() => {
      working = work().then(() => {
        if (!ended) inTurn(EVERY);
      });
    }, wait);
  };
  inTurn(FIRST);
  return async () => {
    ended = true;
    clearTimeout(timer);
    await working;
  };
}
