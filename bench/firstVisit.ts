import { join } from 'node:path';
import type { Browser } from '@playwright/test';
import { root } from '../e2e/support/root';
import { TestServer } from '../e2e/support/server';
import { barePage } from './barePage';
import { launch } from './launch';
import type { Line } from './line';
import { quantile } from './line';

const VISITS = 7;
/** What has come is told this much later, ms. */
const SETTLES = 500;

type Page = { web: string; shows: string };
type Visit = { script: number; all: number };

/**
 * A first visit beside that of a bare Expo Router and Paper page with its icon font, both built
 * by the same tool and served by the same server; and a second visit, ours with the server
 * stopped.
 */
export async function firstVisitLines(): Promise<Line[]> {
  const bare: Page = { web: barePage(), shows: 'Bare' };
  const own: Page = { web: join(root, 'app/dist'), shows: 'Brine pump 2' };
  const browser = await launch();
  try {
    const [theirs, ours] = [await firstVisit(browser, bare), await firstVisit(browser, own)];
    const [before, after] = [await again(browser, bare, false), await again(browser, own, true)];
    return [
      ratio('script of the first screen, gzip', ours.script, theirs.script, 1.15),
      ratio('all bytes of a first visit', ours.all, theirs.all, 0.8),
      {
        what: 'second visit, server stopped, to visible, against the bare page’s second visit',
        figure: `${(after / before).toFixed(2)} (${after.toFixed(0)} ms, bare ${before.toFixed(0)} ms)`,
        wanted: 'at most 1.5',
        held: after / before <= 1.5,
      },
    ];
  } finally {
    await browser.close();
  }
}

function ratio(what: string, ours: number, theirs: number, most: number): Line {
  const kilobytes = (bytes: number) => `${Math.round(bytes / 1000)} kB`;
  return {
    what: `${what}, against a bare page`,
    figure: `${(ours / theirs).toFixed(2)} (${kilobytes(ours)}, bare ${kilobytes(theirs)})`,
    wanted: `at most ${most}`,
    held: ours / theirs <= most,
  };
}

/** The bytes that came over the wire for the page itself, until it is shown and at rest. */
async function firstVisit(browser: Browser, { web, shows }: Page): Promise<Visit> {
  const server = await TestServer.start({ web });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  await server.pairWith(context);
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  const types = new Map<string, string>();
  const visit: Visit = { script: 0, all: 0 };
  let shown = false;
  cdp.on('Network.responseReceived', ({ requestId, type }) => types.set(requestId, type));
  cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (types.get(requestId) === 'Script' && !shown) visit.script += encodedDataLength;
    visit.all += encodedDataLength;
  });
  await page.goto(server.url);
  await page.getByText(shows).first().waitFor();
  shown = true;
  await page.waitForLoadState('networkidle');
  // A font that is asked for once the page is shown belongs to it as well.
  await page.evaluate(() => document.fonts.ready.then(() => undefined));
  await page.waitForTimeout(SETTLES);
  await context.close();
  await server.end();
  return visit;
}

/** The time to visible of a second visit, ms, the median of several. */
async function again(browser: Browser, { web, shows }: Page, stopped: boolean): Promise<number> {
  const server = await TestServer.start({ web });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  await server.pairWith(context);
  const first = await context.newPage();
  await first.goto(server.url);
  await first.getByText(shows).first().waitFor();
  await first.waitForTimeout(stopped ? 8000 : 1000);
  await first.close();
  if (stopped) await server.down();
  const times: number[] = [];
  for (let i = 0; i < VISITS; i++) {
    const page = await context.newPage();
    const begun = performance.now();
    await page.goto(server.url, { waitUntil: 'commit' });
    await page.getByText(shows).first().waitFor();
    times.push(performance.now() - begun);
    await page.close();
  }
  await context.close();
  await server.end();
  return quantile(times, 0.5);
}
