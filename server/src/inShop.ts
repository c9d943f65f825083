import { AsyncLocalStorage } from 'node:async_hooks';
import type { Shown } from '@longbar/core';
import { showBy } from '@longbar/core';

/** The shop that is being worked for, by whatever was begun for it and waits for something. */
const working = new AsyncLocalStorage<Shown>();
showBy(() => working.getStore() ?? {});

/**
 * Does something for a shop: which day it is, what is printed and by which units are that shop's,
 * however many others are worked for meanwhile. Outside of it they are the machine's own.
 */
export function inShop<T>({ timeZone, units }: Shown, work: () => T): T {
  return working.run({ timeZone, units }, work);
}
