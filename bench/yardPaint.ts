import type { MachineLine } from '@longbar/core';
import type { Browser, Page } from '@playwright/test';
import { TestServer } from '../e2e/support/server';
import { launch } from './launch';
import type { Line } from './line';
import { quantile } from './line';
import { SLOW_DOWN } from './taps';

const VISITS = 9;
const FEW = 8;
const MANY = 500;

/** The first paint of a yard of many machines beside one of few, on a phone. */
export async function yardPaintLines(): Promise<Line[]> {
  const server = await TestServer.start();
  const browser = await launch();
  try {
    const [few, many] = [await yardOf(browser, server, FEW), await yardOf(browser, server, MANY)];
    const took = { few: [] as number[], many: [] as number[] };
    // Once each for the caches, then in turn, so that both have the machine's good and bad moments.
    await painted(few);
    await painted(many);
    for (let i = 0; i < VISITS; i++) {
      took.few.push(await painted(few));
      took.many.push(await painted(many));
    }
    const [least, most] = [quantile(took.few, 0.5), quantile(took.many, 0.5)];
    return [
      {
        what: `first paint of a yard of ${MANY} on a phone, against a yard of ${FEW}`,
        figure: `${(most / least).toFixed(2)} (${most.toFixed(0)} ms, ${least.toFixed(0)} ms)`,
        wanted: 'at most 1.3',
        held: most / least <= 1.3,
      },
    ];
  } finally {
    await browser.close();
    await server.end();
  }
}

/** A page that is told of so many machines, whatever the server has. */
async function yardOf(browser: Browser, server: TestServer, count: number): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  });
  await server.pairWith(context);
  const page = await context.newPage();
  const lines = (await (await server.fetch('/machines')).json()) as MachineLine[];
  const machines = Array.from({ length: count }, (_, i) => ({
    ...lines[i % lines.length],
    id: `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`,
    name: `Machine ${i + 1}`,
  }));
  await page.route('**/api/machines', (route) => route.fulfill({ json: machines }));
  await page.addInitScript(() => {
    const look = () => {
      const row = document.querySelector('[role="listitem"]');
      if (row) requestAnimationFrame(() => performance.mark('yard is painted'));
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  });
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  await page.goto(server.url);
  return page;
}

/** How long a visit takes until the first machine is painted, ms. */
async function painted(page: Page): Promise<number> {
  await page.reload();
  const mark = () =>
    page.evaluate(() => performance.getEntriesByName('yard is painted')[0]?.startTime ?? 0);
  let at = await mark();
  while (at === 0) {
    await page.waitForTimeout(50);
    at = await mark();
  }
  // What it goes on to fetch is over before the next visit.
  await page.waitForTimeout(1500);
  return at;
}
