import type { Browser } from '@playwright/test';
import type { EngineSheet, JobEvent, JobHead } from '@longbar/core';
import { simulateJob } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import { JobPage } from '../e2e/support/jobPage';
import { TestServer } from '../e2e/support/server';
import { barePage } from './barePage';
import { launch } from './launch';
import type { Line } from './line';
import { quantile } from './line';
import { phone, SLOW_DOWN } from './taps';

const VISITS = 7;

/** Opening a job of the vee twelve that waits at its first blade, beside the bare page. */
export async function openJobLines(): Promise<Line[]> {
  const browser = await launch();
  const [own, bare] = [await TestServer.start(), await TestServer.start({ web: barePage() })];
  try {
    const job = await waitingJob(own);
    const ours = await opened(browser, own, `/jobs/${job}`, /^0\.30 mm/);
    const theirs = await opened(browser, bare, '/', undefined);
    return [
      {
        what: `opening a job of the vee twelve, ${SLOW_DOWN}-fold slow-down, to the first blade, against the bare page`,
        figure: `${(ours / theirs).toFixed(2)} (${ours.toFixed(0)} ms, bare ${theirs.toFixed(0)} ms)`,
        wanted: 'at most 2',
        held: ours / theirs <= 2,
      },
    ];
  } finally {
    await browser.close();
    await Promise.all([own.end(), bare.end()]);
  }
}

/** The median of several visits of a phone that was there before, to what is waited for, ms. */
async function opened(
  browser: Browser,
  server: TestServer,
  path: string,
  blade: RegExp | undefined,
): Promise<number> {
  const { page, cdp } = await phone(browser, server);
  const shown = () =>
    (blade ? new JobPage(page).button(blade) : page.getByText('Bare')).first().waitFor();
  await page.goto(`${server.url}${path}`);
  await shown();
  await page.waitForTimeout(3000);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  const times: number[] = [];
  for (let i = 0; i < VISITS; i++) {
    await page.goto('about:blank');
    const begun = performance.now();
    await page.goto(`${server.url}${path}`, { waitUntil: 'commit' });
    await shown();
    times.push(performance.now() - begun);
  }
  await page.context().close();
  return quantile(times, 0.5);
}

/** A job of the vee twelve whose journal ends before its first reading. */
async function waitingJob(server: TestServer): Promise<string> {
  const machines = (await (await server.fetch('/machines')).json()) as Machine[];
  const machine = machines.find(({ name }) => name === 'Standby set');
  if (!machine) throw new Error('The demo has no such machine.');
  const detail = await server.fetch(`/machines/${machine.id}`);
  const { document } = (await detail.json()) as { document: EngineSheet };
  const head: JobHead = {
    id: randomUUID(),
    machine: machine.id,
    method: 'two-position',
    sheetRevision: machine.sheet.revision,
    at: new Date().toISOString(),
    by: 'Ina',
  };
  const setUp = { method: head.method, policy: 'leave-inside' as const, start: 100, seed: 3 };
  const outcome = simulateJob(document, { ...setUp, faults: {} });
  if ('refused' in outcome) throw new Error(outcome.says);
  const until = outcome.events.findIndex(({ type }) => type === 'reading.taken');
  await server.keep('/jobs', head);
  // Their ids stay: each event of the crank names the one before it.
  const events = outcome.events.slice(0, until).map((event): JobEvent => ({
    ...event,
    ...(event.type === 'hours.read' && { sure: true }),
    job: head.id,
    at: head.at,
    by: 'Ina',
  }));
  await server.keep(`/jobs/${head.id}/events`, events);
  return head.id;
}

type Machine = { id: string; name: string; sheet: { revision: number } };
