import { MOST_EVENTS } from '@longbar/core';
import { randomUUID } from 'node:crypto';
import type { Browser, CDPSession } from '@playwright/test';
import { JobPage } from '../e2e/support/jobPage';
import { PractisedJob } from '../e2e/support/practisedJob';
import { TestServer } from '../e2e/support/server';
import { launch } from './launch';
import type { Line } from './line';
import { quantile } from './line';
import type { Tappable } from './taps';
import { phone, SLOW_DOWN, slowedAt } from './taps';

const MOVES = 120;
/** Between two moves of the pointer, ms: what one sets off is over before the next. */
const APART = 120;
const TAPS = 200;
const FIRST = 5;
/** A job so long that its end would show what grows with it. */
const LATE = 2000;

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
  // One engine has one open job: the long one is on a server of its own.
  const [server, other] = await Promise.all([TestServer.start(), TestServer.start()]);
  const browser = await launch();
  try {
    return [...(await camMap(browser, server)), ...(await blades(browser, server, other))];
  } finally {
    await browser.close();
    await Promise.all([server.end(), other.end()]);
  }
}

/** Main-thread work per move of the pointer over the cam map of the vee twelve, from a trace. */
async function camMap(browser: Browser, server: TestServer): Promise<Line[]> {
  const { page, cdp } = await phone(browser, server);
  await page.goto(`${server.url}/sheets`);
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
async function blades(browser: Browser, server: TestServer, other: TestServer): Promise<Line[]> {
  const young = await tappable(browser, server, 0);
  for (let i = 0; i < TAPS; i++) await young.tap();
  const painted = await young.painted(TAPS);
  return [
    ...lines(`a blade tapped: ${TAPS} taps to paint`, painted, 60, 120),
    await bareTaps(browser, server, young),
    await lateTaps(browser, other, young),
    await practisedTaps(browser, server, painted),
  ];
}

/** A tap of a job beside one of a bare page that writes one record as durably, in turn. */
async function bareTaps(browser: Browser, server: TestServer, young: Tappable): Promise<Line> {
  const { page, cdp } = await phone(browser, server);
  const address = `${server.url}/bare-button`;
  await page.route(address, (route) =>
    route.fulfill({ contentType: 'text/html', body: BARE_BUTTON }),
  );
  await page.goto(address);
  const bare = await slowedAt({ page, cdp }, /^0\.30 mm/);
  for (let i = 0; i < FIRST; i++) await bare.tap();
  for (let i = 0; i < TAPS / 2; i++) {
    await young.tap();
    await bare.tap();
  }
  const [ours, theirs] = [await young.painted(TAPS / 2), await bare.painted(TAPS / 2)];
  await page.context().close();
  const [own, other] = [quantile(ours, 0.5), quantile(theirs, 0.5)];
  return {
    what: 'a blade tapped, to paint, median, against a bare page that writes one record as durably',
    figure: `${(own / other).toFixed(2)} (${own.toFixed(0)} ms, bare ${other.toFixed(0)} ms)`,
    wanted: 'at most 1.5',
    held: own / other <= 1.5,
  };
}

/** One button: a tap writes a record to disk, strictly, and then says so. */
const BARE_BUTTON = `<!doctype html><meta name="viewport" content="width=device-width">
<button aria-label="0.30 mm: 0" style="width:200px;height:80px;touch-action:manipulation">0</button>
<script>
  const button = document.querySelector('button');
  const opening = indexedDB.open('bare', 1);
  opening.onupgradeneeded = () => opening.result.createObjectStore('taps', { autoIncrement: true });
  let taps = 0;
  button.onclick = () => {
    const done = opening.result.transaction('taps', 'readwrite', { durability: 'strict' });
    done.objectStore('taps').add({ type: 'reading.taken', at: new Date().toISOString() });
    done.oncomplete = () => {
      button.textContent = String(++taps);
      button.setAttribute('aria-label', '0.30 mm: ' + taps);
    };
  };
</script>`;

/** The same late in a long job, tap by tap in turn with the young one. */
async function lateTaps(browser: Browser, server: TestServer, young: Tappable): Promise<Line> {
  const late = await tappable(browser, server, LATE);
  for (let i = 0; i < TAPS / 2; i++) {
    await young.tap();
    await late.tap();
  }
  const [before, after] = [await young.painted(TAPS / 2), await late.painted(TAPS / 2)];
  await Promise.all([young.page.context().close(), late.page.context().close()]);
  const ratio = quantile(after, 0.5) / quantile(before, 0.5);
  return {
    what: `a blade tapped at event ${LATE} of a job against event 20, to paint, median, times`,
    figure: ratio.toFixed(2),
    wanted: 'at most 1.2',
    held: ratio <= 1.2,
  };
}

/** The same in practice, against the taps of a true job. */
async function practisedTaps(
  browser: Browser,
  server: TestServer,
  inJob: readonly number[],
): Promise<Line> {
  const { page, cdp } = await phone(browser, server);
  const practised = new PractisedJob(page);
  await practised.begin(server.url, '1-5-3-6-2-4');
  await practised.toTheFirstGap();
  const { tap, painted } = await slowedAt({ page, cdp }, /^0\.30 mm/);
  // The first taps lay out what was never drawn before.
  for (let i = 0; i < TAPS + FIRST; i++) await tap();
  const ratio = quantile(await painted(TAPS), 0.5) / quantile(inJob, 0.5);
  await page.context().close();
  return {
    what: 'a blade tapped in practice against one in a job, to paint, median, times',
    figure: ratio.toFixed(2),
    wanted: 'at most 1.2',
    held: ratio <= 1.2,
  };
}

/** A phone at the first valve of a job with so many events more, its blades laid out. */
async function tappable(browser: Browser, server: TestServer, more: number): Promise<Tappable> {
  const { page, cdp } = await phone(browser, server);
  const job = new JobPage(page);
  await job.toStopOne(server.url);
  if (more > 0) {
    await lengthen(server, page.url().split('/').pop() ?? '', more);
    await page.reload();
    await job.at('Stop 1 of 2');
  }
  return slowedAt({ page, cdp }, /^0\.30 mm/);
}

/** Readings of another valve, taken again and again by another phone, until the journal is long. */
async function lengthen(server: TestServer, job: string, more: number): Promise<void> {
  const path = `/jobs/${job}/events`;
  const { events } = (await (await server.fetch(path)).json()) as { events: { n: number }[] };
  const last = Math.max(...events.map(({ n }) => n));
  for (let from = 0; from < more; from += MOST_EVENTS) {
    const body = Array.from({ length: Math.min(MOST_EVENTS, more - from) }, (_, i) => ({
      id: randomUUID(),
      job,
      n: last + 1 + from + i,
      at: new Date().toISOString(),
      by: 'Orla',
      type: 'reading.taken',
      adjuster: 'intake.2',
      phase: 'found',
      reading: { go: 300, noGo: i % 2 ? 350 : 330, how: 'go-no-go' },
      tried: [{ size: 300, enters: true }],
    }));
    await server.keep(path, body);
  }
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
