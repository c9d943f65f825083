import { randomUUID } from 'node:crypto';
import type { BarringMethod, EngineSheet, JobAct, JobEvent } from '@longbar/core';
import { foldJob, isolationsOf, knownTo, readyItems } from '@longbar/core';
import type { Page } from '@playwright/test';

export type OpenedJob = {
  /** The name of a machine of the yard. */
  machine: string;
  hours: number;
  method?: BarringMethod;
  tag?: string;
  /** What was done once it lay open. */
  then?: readonly JobAct[];
};

const AN_HOUR = 3_600_000;

/** A mark at the pointer, the rockers of the cylinder that fires there loose, its mate's firm. */
export function foundAt(mark: string, fires: number, mate: number): JobAct[] {
  const felt = (cylinder: number, state: 'loose' | 'firm') =>
    (['exhaust', 'intake'] as const).map((kind) => ({ id: `${kind}.${cylinder}` as const, state }));
  const observations = [
    { mark, state: 'at' as const },
    ...felt(fires, 'loose'),
    ...felt(mate, 'firm'),
  ];
  return observations.map((observation) => ({ type: 'crank.observed', observation }));
}

/** From why it is done to the covers off. */
function untilOpened(sheet: EngineSheet, hours: number, now: number, tag?: string): JobAct[] {
  return [
    { type: 'why.noted', reason: 'interval' },
    ...(tag === undefined ? [] : [{ type: 'tag.read' as const, tag }]),
    { type: 'cold.stated', since: new Date(now - 12 * AN_HOUR).toISOString() },
    { type: 'hours.read', hours },
    ...readyItems(sheet).map(({ id }) => ({ type: 'ready.done' as const, item: id })),
    ...isolationsOf(sheet).map(({ id }) => ({ type: 'isolation.done' as const, isolation: id })),
    { type: 'lock.hung' },
    { type: 'opening.done' },
  ];
}

/**
 * Begins a job of Ina's with the engine opened, and opens its screen: what a test is not about is
 * not tapped. The phone of the page asks for it.
 */
export async function openJob(page: Page, url: string, wanted: OpenedJob): Promise<void> {
  const { machine, hours, method = 'two-position', tag, then = [] } = wanted;
  const get = async (path: string) => (await page.request.get(`${url}/api${path}`)).json();
  const send = async (path: string, data: unknown) => {
    const answer = await page.request.post(`${url}/api${path}`, { data });
    if (!answer.ok()) throw new Error(`${path}: ${await answer.text()}`);
  };
  const yard: { id: string; name: string; sheet: { revision: number } }[] = await get('/machines');
  const found = yard.find(({ name }) => name === machine);
  if (!found) throw new Error(`There is no ${machine} in the yard.`);
  const now = Date.now();
  // One by one, as they were tapped: what is told at one moment is taken back at once.
  const at = (n: number) => new Date(now - 60_000 + 1000 * n).toISOString();
  const job = randomUUID();
  const begun = { machine: found.id, method, sheetRevision: found.sheet.revision };
  await send('/jobs', { id: job, ...begun, at: at(0), by: 'Ina' });
  const { sheet }: { sheet: EngineSheet } = await get(`/jobs/${job}`);
  const events: JobEvent[] = [];
  for (const act of [...untilOpened(sheet, hours, now, tag), ...then]) {
    const n = events.length + 1;
    const known = knownTo(foldJob(events), act);
    events.push({ ...act, ...known, id: randomUUID(), job, n, at: at(n), by: 'Ina' });
  }
  await send(`/jobs/${job}/events`, events);
  await page.goto(`${url}/jobs/${job}`);
}
