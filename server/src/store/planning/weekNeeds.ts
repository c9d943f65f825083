import type { MachineDetail, PlannedMachine, Shop, Weeks } from '@longbar/core';
import { asFoundWhenDue, ignore, partsAhead, shimsAhead } from '@longbar/core';
import type { Database } from '../sql/database';
import { machineDetail } from '../derived/machines';

type Needs = Pick<Weeks, 'parts' | 'shims'>;

/** What has to be there for the machines of the plan: parts of their sheets, and shims. */
export async function neededFor(
  db: Database,
  planned: readonly PlannedMachine[],
  shop: Shop,
  today: string,
): Promise<Needs> {
  const inOrder = planned
    .flatMap((machine) => (machine.planned ? [{ machine, week: machine.planned.week }] : []))
    .sort((a, b) => a.week.localeCompare(b.week));
  const read = await Promise.all(
    inOrder.map(async ({ machine, week }) => {
      // One whose page cannot be worked out is said so elsewhere, and holds up no plan.
      const unread = ignore('what it needs cannot be told');
      const text = await machineDetail(db, machine.id, today).catch(unread);
      if (text === undefined) return [];
      const detail: MachineDetail = JSON.parse(text);
      return [{ name: machine.name, week, detail }];
    }),
  );
  const known = read.flat();
  const parts = partsAhead(
    known.map(({ name, week, detail }) => ({ name, week, parts: detail.document.parts ?? [] })),
  );
  if (!shop.shims) return { parts, shims: [] };
  const needed = shimsAhead(
    known.map(({ detail }) => asFoundWhenDue(detail)),
    { ...shop.shims, policy: shop.policy },
  );
  const shims = known.flatMap(({ name, week }, i) => {
    const { fromStock = [], buy = [] } = needed[i] ?? {};
    return fromStock.length + buy.length > 0 ? [{ machine: name, by: week, fromStock, buy }] : [];
  });
  return { parts, shims };
}
