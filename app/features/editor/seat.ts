import type { CylinderForm, EngineSheet } from '@longbar/core';
import { banksFor, commonOrders } from '@longbar/core';

/** Seats so many cylinders anew; the order is the commonest one, else to be tapped. */
export function seat(sheet: EngineSheet, count: number, form: CylinderForm): void {
  const banks = banksFor(count, form);
  if (sheet.layout?.numberedFrom === 'rear') banks.forEach((bank) => bank.cylinders.reverse());
  sheet.layout = { ...sheet.layout, banks };
  sheet.firing.order = commonOrders(count, form)[0] ?? [];
  delete sheet.firing.gaps;
}
