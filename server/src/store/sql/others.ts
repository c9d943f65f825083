import { AsyncLocalStorage } from 'node:async_hooks';
import * as v from 'valibot';

/** What a process tells others on the same database: about which shop, and what. */
export type Told = { shop: number; topic: string; said?: unknown };

/** What is heard; undefined where something may have been missed, of whatever shop and topic. */
export type Heard = Told | undefined;

/** How processes on one database hear each other; where there is only one, nobody does. */
export type Hearing = {
  tell(told: Told): void;
  hear(hearer: (heard: Heard) => void): void;
};

/** What other processes are told of one shop, and what is heard of them. */
export type Others = {
  /** Tells them, once the transaction that this is done in is kept. */
  tell(topic: string, said?: unknown): void;
  /** Hears a topic; `missed` where something of it may not have come, or cannot be read. */
  hear<Said>(
    topic: string,
    schema: v.GenericSchema<unknown, Said>,
    heard: (said: Said) => void,
    missed: () => void,
  ): void;
};

/** What is to be done once a transaction is kept. */
type Telling = { open: boolean; later: (() => void)[] };
const transactions = new AsyncLocalStorage<Telling>();

/** Does this once the transaction that it is said in is kept, and not at all where it is not. */
export function onceKept(work: () => void): void {
  const within = transactions.getStore();
  if (within?.open) within.later.push(work);
  else work();
}

/** What others are told of a shop. */
export function othersOf(hearing: Hearing, shop: number): Others {
  return {
    tell(topic, said) {
      onceKept(() => hearing.tell({ shop, topic, said }));
    },
    hear(topic, schema, heard, missed) {
      hearing.hear((told) => {
        if (told && (told.shop !== shop || told.topic !== topic)) return;
        const read = told && v.safeParse(schema, told.said);
        if (read?.success) heard(read.output);
        else missed();
      });
    },
  };
}

/** Runs a transaction, and once it is kept what was left for then. */
export async function tellingAfter<T>(transact: () => Promise<T>): Promise<T> {
  const telling: Telling = { open: true, later: [] };
  try {
    const answer = await transactions.run(telling, transact);
    telling.later.forEach((work) => work());
    return answer;
  } finally {
    telling.open = false;
  }
}
