import type { Company, CompanyShop, PlannedMachine } from '@longbar/core';
import { localDay, urgencyOf, weeksFrom } from '@longbar/core';
import { inShop } from '../../inShop';
import { listMachines } from '../derived/machines';
import type { Database } from '../sql/database';
import type { RunFromHere } from '../yard/companies';
import { identityOf, readShop } from '../yard/shop';
import { readPlan } from './weeks';

/** The shops of a company side by side, each as its own foreman sees it at this instant. */
export async function readCompany({ name, shops }: RunFromHere, now: Date): Promise<Company> {
  const weeks = weeksFrom(localDay(now));
  const told: CompanyShop[] = [];
  for (const shop of shops) {
    const rules = await readShop(shop);
    told.push(await inShop(rules, () => readOne(shop, weeks, localDay(now))));
  }
  return { name, weeks, shops: told };
}

async function readOne(
  db: Database,
  weeks: readonly string[],
  today: string,
): Promise<CompanyShop> {
  const [{ id }, shop, lines, plan] = await Promise.all([
    identityOf(db),
    readShop(db),
    listMachines(db, today),
    readPlan(db, today),
  ]);
  return {
    ...{ id, name: shop.name },
    machines: lines.map((line) => ({
      ...{ id: line.id, name: line.name, engine: line.engine },
      ...{ due: line.due, interval: line.interval, recheck: line.recheck },
      isOpen: line.jobs.open !== null,
      urgency: urgencyOf(line.due, today, shop.soon),
    })),
    planned: weeks.map((week) => minutesIn(week, plan.machines)),
    hoursAWeek: plan.hoursAWeek,
  };
}

function minutesIn(week: string, machines: readonly PlannedMachine[]): number {
  const own = machines.filter(({ planned }) => planned?.week === week);
  return own.reduce((sum, { takes }) => sum + (takes?.median ?? 0), 0);
}
