import * as v from 'valibot';
import type { PlannedMachine, PlanPut, PlansPost, ToPlan, Weeks } from '@longbar/core';
import { dueSpan, howLong, PLANNED_WEEKS, weeksFrom } from '@longbar/core';
import { wrongField } from '../../requestError';
import type { Database } from '../sql/database';
import { listMachines } from '../derived/machines';
import { machineRow } from '../yard/machineRow';
import { plannedRows, putIntoWeek, unplan } from '../yard/planned';
import { readShop } from '../yard/shop';
import { neededFor } from './weekNeeds';

/** The coming weeks as they stand on `today`, with what has to be there for what is planned. */
export async function readWeeks(db: Database, today: string): Promise<Weeks> {
  const [plan, shop] = await Promise.all([readPlan(db, today), readShop(db)]);
  const inPlan = plan.machines.filter((machine) => machine.planned !== null);
  return { ...plan, ...(await neededFor(db, inPlan, shop, today)) };
}

/** What is due and planned in the coming weeks. */
type Plan = Omit<Weeks, 'parts' | 'shims'>;

/** The same without what has to be there, which only the planner and its page tell. */
export async function readPlan(db: Database, today: string): Promise<Plan> {
  const [lines, shop, rows] = await Promise.all([
    listMachines(db, today),
    readShop(db),
    plannedRows(db),
  ]);
  const past = await minutesBySheet(db);
  const guesses = await guessedMinutes(db);
  const planned = new Map(rows.map(({ machine, ...row }) => [machine, row]));
  const weeks = weeksFrom(today);
  const machines = lines.map((line): PlannedMachine => {
    const { id, name, engine, place, due, sheet } = line;
    const row = planned.get(id);
    const guess = guesses.get(`${sheet.id} ${sheet.revision}`);
    return {
      ...{ id, name, engine, due },
      ...(place !== undefined && { place }),
      span: dueSpan(due, today),
      takes: howLong(past.get(sheet.id) ?? [], guess),
      // What was planned for a week that is over, and not done, is to be done now.
      planned: row ? { ...row, week: row.week < weeks[0]! ? weeks[0]! : row.week } : null,
    };
  });
  return { weeks, hoursAWeek: shop.weekHours ?? null, machines };
}

/** How long each past check of a sheet's engines took, minutes. */
async function minutesBySheet(db: Database): Promise<Map<string, number[]>> {
  const rows = await db.rows(
    v.object({ sheet: v.string(), minutes: v.number() }),
    `SELECT jobs.sheet, ${db.dialect.number('"check"', 'minutes')} AS minutes
     FROM job_reads JOIN jobs ON jobs.shop = job_reads.shop AND jobs.id = job
     WHERE job_reads.shop = $shop AND ${db.dialect.number('"check"', 'minutes')} > 0`,
  );
  const past = new Map<string, number[]>();
  for (const { sheet, minutes } of rows) {
    const known = past.get(sheet);
    if (known) known.push(minutes);
    else past.set(sheet, [minutes]);
  }
  return past;
}

/** What each revision of a sheet that a machine goes by guesses, minutes. */
async function guessedMinutes(db: Database): Promise<Map<string, number>> {
  const rows = await db.rows(
    v.object({ sheet: v.string(), revision: v.number(), minutes: v.nullable(v.number()) }),
    `SELECT DISTINCT sheets.id AS sheet, revision,
       ${db.dialect.number('document', 'service.takesMinutes')} AS minutes
     FROM sheets JOIN machines
       ON machines.shop = sheets.shop AND machines.sheet = sheets.id AND sheetRevision = revision
     WHERE sheets.shop = $shop`,
  );
  return new Map(
    rows.flatMap(({ sheet, revision, minutes }) =>
      minutes === null ? [] : [[`${sheet} ${revision}`, minutes] as const],
    ),
  );
}

/** Puts a machine into a week or takes it out. Throws RequestError 404, or 400 for another week. */
export async function planMachine(
  db: Database,
  id: string,
  { week, who }: PlanPut,
  today: string,
): Promise<void> {
  await machineRow(db, id);
  if (week !== null) refuseOtherWeek(week, today);
  await db.write(async (transaction) => {
    if (week === null) await unplan(db, id, transaction);
    else await putIntoWeek(db, { machine: id, week, who }, transaction);
  });
}

/** Puts machines into weeks, all or none. Throws RequestError 404, or 400 for another week. */
export async function planAll(db: Database, { moves }: PlansPost, today: string): Promise<void> {
  for (const { machine, week } of moves) {
    await machineRow(db, machine);
    refuseOtherWeek(week, today);
  }
  await db.write(async (transaction) => {
    for (const move of moves) await putIntoWeek(db, move, transaction);
  });
}

function refuseOtherWeek(week: string, today: string): void {
  const weeks = weeksFrom(today);
  if (!weeks.includes(week)) {
    throw wrongField('week', `It is one of the next ${PLANNED_WEEKS} weeks, by its Monday.`);
  }
}

/** What a solver is given: who is due in these weeks, and what somebody has put somewhere. */
export function toPlan({ machines, weeks }: Plan): ToPlan[] {
  return machines.flatMap(({ id, place, span, takes, planned }): ToPlan[] => {
    const fixed = planned ? weeks.indexOf(planned.week) : undefined;
    // What falls due beyond the weeks is left for later, unless somebody wants it now.
    if (!span || (fixed === undefined && span.from >= PLANNED_WEEKS)) return [];
    return [{ id, place, span, minutes: takes?.median ?? 0, fixed }];
  });
}
