import type { Browser, CDPSession, Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import { JobPage } from '../e2e/support/jobPage';
import { TestServer } from '../e2e/support/server';
import type { Line } from './line';
import { quantile } from './line';

const ARGS = ['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run'];
/** A phone, against this machine. */
const SLOW_DOWN = 4;
const MOVES = 120;
/** Between two moves of the pointer, ms: what one sets off is over before the next. */
const APART = 120;
const TAPS = 200;
/** A quick hand still takes this long from blade to blade, ms. */
const BETWEEN_TAPS = 400;
/** A finger rests on the glass for this long when it taps, ms. */
const RESTS = 60;

type TraceEvent = {
  name: string;
  ph: string;
  ts: number;
  dur?: number;
  /** The thread's own time. */
  tdur?: number;
  pid: number;
  tid: number;
  args?: { name?: string };
};

/** Turning the engine on the cam map and tapping a blade, at four-fold CPU slow-down. */
export async function interfaceLines(): Promise<Line[]> {
  const server = await TestServer.start();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS });
  try {
    return [...(await camMap(browser, server.url)), ...(await blades(browser, server.url))];
  } finally {
    await browser.close();
    await server.end();
  }
}

async function phone(browser: Browser): Promise<{ page: Page; cdp: CDPSession }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  const page = await context.newPage();
  return { page, cdp: await context.newCDPSession(page) };
}

/** Main-thread work per move of the pointer over the cam map of the vee twelve, from a trace. */
async function camMap(browser: Browser, url: string): Promise<Line[]> {
  const { page, cdp } = await phone(browser);
  await page.goto(`${url}/sheets`);
  await page.getByRole('link', { name: 'Sanderling V12', exact: true }).click();
  const line = page.getByRole('slider');
  await line.scrollIntoViewIfNeeded();
  const box = await line.boundingBox();
  if (!box) throw new Error('The cam map is not shown.');
  await page.waitForTimeout(1500);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  const y = Math.max(box.y, 0) + 60;
  const sweep = async () => {
    for (let i = 0; i < MOVES; i++) {
      await page.mouse.move(box.x + 40 + ((box.width - 80) * i) / MOVES, y);
      await page.waitForTimeout(APART);
    }
  };
  const idle = quantile(workPerMove(await traced(cdp, sweep)), 0.5);
  await page.mouse.move(box.x + 40, y);
  await page.mouse.down();
  const events = await traced(cdp, sweep);
  await page.mouse.up();
  await page.context().close();
  const what = 'cam map, vee twelve: main-thread work per pointer move';
  return [
    {
      what: `the same moves with nothing held, nothing drawn, ${SLOW_DOWN}-fold slow-down, median`,
      figure: `${idle.toFixed(1)} ms`,
      wanted: 'side by side',
      held: true,
    },
    ...lines(what, workPerMove(events), 16, 33),
  ];
}

async function traced(cdp: CDPSession, work: () => Promise<void>): Promise<TraceEvent[]> {
  const events: TraceEvent[] = [];
  cdp.on('Tracing.dataCollected', ({ value }) =>
    events.push(...(value as unknown as TraceEvent[])),
  );
  await cdp.send('Tracing.start', {
    transferMode: 'ReportEvents',
    traceConfig: { includedCategories: ['toplevel', 'devtools.timeline', '__metadata'] },
  });
  await work();
  const complete = new Promise<void>((resolve) =>
    cdp.once('Tracing.tracingComplete', () => resolve()),
  );
  await cdp.send('Tracing.end');
  await complete;
  return events;
}

/** The tasks of the thread that handles the pointer, added up from each move to the next, ms. */
function workPerMove(events: readonly TraceEvent[]): number[] {
  const moves = events
    .filter(
      ({ name, args }) =>
        name === 'EventDispatch' &&
        (args as { data?: { type?: string } })?.data?.type === 'pointermove',
    )
    .sort((a, b) => a.ts - b.ts);
  const [first] = moves;
  if (!first) throw new Error('The trace holds no move of the pointer.');
  const tasks = events.filter(
    ({ name, ph, pid, tid }) =>
      pid === first.pid && tid === first.tid && ph === 'X' && /RunTask$/.test(name),
  );
  return moves.slice(0, -1).map((move, i) => {
    const until = (moves[i + 1] as TraceEvent).ts;
    // The move is dispatched inside a task that began before it; the last may belong to the next.
    const own = tasks.filter(({ ts, dur = 0 }) => ts + dur > move.ts && ts + dur <= until);
    return busy(own) / 1000;
  });
}

/**
 * How long the thread itself runs at these, µs of its own time: a task inside another is not
 * counted twice, and what the machine does for others meanwhile is not counted at all.
 */
function busy(tasks: readonly TraceEvent[]): number {
  let total = 0;
  let end = -Infinity;
  const inOrder = [...tasks].sort((a, b) => a.ts - b.ts || (b.dur ?? 0) - (a.dur ?? 0));
  for (const { ts, dur = 0, tdur = dur } of inOrder) {
    if (ts < end) continue;
    total += tdur;
    end = ts + dur;
  }
  return total;
}

/** From the finger off a blade until the tile that answers is painted. */
async function blades(browser: Browser, url: string): Promise<Line[]> {
  const { page, cdp } = await phone(browser);
  const job = new JobPage(page);
  await job.toStopOne(url);
  await page.waitForTimeout(1000);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOW_DOWN });
  await page.evaluate(watchTaps);
  const tile = job.button(/^0\.30 mm/);
  const box = await tile.boundingBox();
  if (!box) throw new Error('No blade is laid out.');
  for (let i = 0; i < TAPS; i++) {
    await tap(page, cdp, box.x + box.width / 2, box.y + box.height / 2);
    await page.waitForTimeout(BETWEEN_TAPS);
  }
  const painted = await page.evaluate(() => window.painted);
  if (painted.length < TAPS) throw new Error(`Only ${painted.length} taps were answered in time.`);
  await page.context().close();
  return lines(`a blade tapped: ${TAPS} taps to paint`, painted, 60, 120);
}

/** A finger comes down, rests as fingers do, and lifts. */
async function tap(page: Page, cdp: CDPSession, x: number, y: number): Promise<void> {
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
  await page.waitForTimeout(RESTS);
  await cdp.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
}

declare global {
  interface Window {
    painted: number[];
  }
}

/** In the page: notes, for each tap, the time until the frame that shows its answer. */
function watchTaps(): void {
  window.painted = [];
  let tapped: number | undefined;
  // From the lifting of the finger on: how long it was held is not the application's doing.
  document.addEventListener('touchend', (event) => (tapped = event.timeStamp), { capture: true });
  new MutationObserver((changes) => {
    const answered = changes.some(
      ({ target }) =>
        target instanceof Element && /mm: /.test(target.getAttribute('aria-label') ?? ''),
    );
    if (!answered || tapped === undefined) return;
    const begun = tapped;
    tapped = undefined;
    // A message sent from inside a frame comes once that frame is painted.
    requestAnimationFrame(() => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => window.painted.push(performance.now() - begun);
      port2.postMessage(undefined);
    });
  }).observe(document.body, { subtree: true, attributes: true, attributeFilter: ['aria-label'] });
}

function lines(what: string, figures: readonly number[], middle: number, high: number): Line[] {
  return [
    ['median', 0.5, middle],
    ['95th percentile', 0.95, high],
  ].map(([name, q, wanted]) => {
    const figure = quantile(figures, q as number);
    return {
      what: `${what}, ${SLOW_DOWN}-fold slow-down, ${name}`,
      figure: `${figure.toFixed(1)} ms`,
      wanted: `under ${wanted} ms`,
      held: figure < (wanted as number),
    };
  });
}
