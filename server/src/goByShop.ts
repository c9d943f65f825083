import type { Shop } from '@longbar/core';
import { showUnits } from '@longbar/core';

/** The shop's days, hours and units are this process's: what it prints is the shop's. */
export function goByShop({ timeZone, units }: Pick<Shop, 'timeZone' | 'units'>): void {
  goByTimeZone(timeZone);
  showUnits(units);
}

/**
 * The days and hours of this process are the shop's, wherever it runs: which day it is, what is
 * printed, when the night is. Without a time zone of the shop's they are the machine's own.
 */
const own = process.env.TZ;

function goByTimeZone(zone: string | undefined): void {
  const next = zone ?? own;
  if (next === undefined) delete process.env.TZ;
  else process.env.TZ = next;
}
