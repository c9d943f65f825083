import type { Browser, CDPSession, Page } from '@playwright/test';
import { JobPage } from '../e2e/support/jobPage';
import type { TestServer } from '../e2e/support/server';

/** A phone, against this machine. */
export const SLOW_DOWN = 4;
/** A quick hand still takes this long from blade to blade, ms. */
const BETWEEN_TAPS = 400;
/** A finger rests on the glass for this long when it taps, ms. */
const RESTS = 60;

/** A phone of its own, paired with the server. */
export async function phone(
  browser: Browser,
  server: TestServer,
): Promise<{ page: Page; cdp: CDPSession }> {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
  });
  await server.pairWith(context);
  const page = await context.newPage();
  return { page, cdp: await context.newCDPSession(page) };
}

export type Tappable = {
  page: Page;
  tap: () => Promise<void>;
  /** The times of the last so many taps, ms. */
  painted: (count: number) => Promise<number[]>;
};

/**
 * A phone with a finger at a blade, slowed down while it is tapped and has not rested since: a page
 * that is slowed down takes most of a core for itself, also where it does nothing, and another one
 * would be tapped on what is left.
 */
export async function slowedAt(
  { page, cdp }: { page: Page; cdp: CDPSession },
  blade: RegExp,
): Promise<Tappable> {
  await page.waitForTimeout(2000);
  const slow = (rate: number) => cdp.send('Emulation.setCPUThrottlingRate', { rate });
  await page.evaluate(watchTaps);
  const tile = new JobPage(page).button(blade).filter({ visible: true }).first();
  await tile.scrollIntoViewIfNeeded();
  const box = await tile.boundingBox();
  if (!box) throw new Error('No blade is laid out.');
  return {
    page,
    tap: async () => {
      await slow(SLOW_DOWN);
      await tap(page, cdp, box.x + box.width / 2, box.y + box.height / 2);
      await page.waitForTimeout(BETWEEN_TAPS);
      await slow(1);
    },
    painted: async (count) => {
      const painted = await page.evaluate(() => window.painted);
      if (painted.length < count) throw new Error(`Only ${painted.length} taps were answered.`);
      return painted.slice(-count);
    },
  };
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
  // From the lifting of the finger on: how long it was held is not the application's doing. What
  // is answered while it still rests on the glass took no time at all.
  let resting = false;
  let early = false;
  // By the pointer, which is told first: what needs no disk is answered before the touch is told.
  document.addEventListener('pointerdown', () => ([resting, early] = [true, false]), {
    capture: true,
  });
  document.addEventListener(
    'pointerup',
    (event) => {
      resting = false;
      if (early) window.painted.push(0);
      else tapped = event.timeStamp;
    },
    { capture: true },
  );
  new MutationObserver((changes) => {
    const answered = changes.some(
      ({ target }) =>
        target instanceof Element && /mm: /.test(target.getAttribute('aria-label') ?? ''),
    );
    early ||= answered && resting;
    if (!answered || resting || tapped === undefined) return;
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
