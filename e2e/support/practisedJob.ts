import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { JobPage } from './jobPage';

/** No job needs so many acts. */
const MOST = 200;
/** A gap that is asked for, as the heading names it. */
const GAP = /^No\. (\d+) (intake|exhaust)$/;

/** A person who practises: hands at the made-up engine, and what they found told on the screen. */
export class PractisedJob {
  private readonly job: JobPage;

  constructor(readonly page: Page) {
    this.job = new JobPage(page);
  }

  /** Begins the whole job on an engine known by its firing order. */
  async begin(url: string, order: string): Promise<void> {
    await this.page.goto(`${url}/bench/practice`);
    await this.page.getByRole('radio', { name: 'The whole job' }).click();
    await this.page.getByRole('combobox').selectOption(order);
    await this.page.getByRole('button', { name: 'Begin the job' }).click();
  }

  /** From why it is opened to the first gap that is asked for. */
  async toTheFirstGap(): Promise<void> {
    const { job } = this;
    await job.at('Why');
    await job.isDue();
    await job.rest('Overnight', '1000');
    await job.openUp();
    for (let acts = 0; acts < MOST; acts++) {
      if (GAP.test(await this.heading())) return;
      await this.next();
    }
  }

  /** From why it is opened to the signature, telling what the engine gives. */
  async wholeJob(): Promise<void> {
    await this.toTheFirstGap();
    for (let acts = 0; acts < MOST; acts++) {
      await this.job.settled();
      const title = await this.page.getByText(/ · step \d+ of \d+$/).innerText();
      if (title.startsWith('Close up')) break;
      await this.next();
    }
    await this.job.finish();
  }

  private async heading(): Promise<string> {
    await this.job.settled();
    return this.page.getByRole('heading').nth(1).innerText();
  }

  /** Does the next thing at the engine, and tells it. */
  private async next(): Promise<void> {
    const { job, page } = this;
    const heading = await this.heading();
    const [, cylinder, kind] = GAP.exec(heading) ?? [];
    if (cylinder !== undefined && kind !== undefined) return this.atAdjuster(cylinder, kind);
    if (heading === 'Which way does it turn?') {
      await page.getByRole('radio', { name: 'clockwise', exact: true }).click();
      await page.getByRole('radio', { name: 'Seen from the front', exact: true }).click();
      return job.tap('It turns clockwise, seen from the front');
    }
    if (heading === 'Once round again') return job.tap('The round is done');
    if (/^Bar \d/.test(heading)) return this.barOn();
    if (heading === 'Where does it stand?') return this.findPlace();
    return this.feelAsked();
  }

  private async atTheEngine<T>(work: () => Promise<T>): Promise<T> {
    await this.page.getByRole('radio', { name: 'The engine', exact: true }).click();
    const result = await work();
    await this.page.getByRole('radio', { name: 'The screen', exact: true }).click();
    return result;
  }

  /** How a rocker feels. */
  private wiggle(cylinder: string, kind: string): Promise<string> {
    return this.atTheEngine(async () => {
      await this.page.getByRole('button', { name: new RegExp(`^Cylinder ${cylinder}\\.`) }).click();
      const told = this.page.getByText(
        new RegExp(
          `^No\\. .*No\\. ${cylinder} ${kind} (loose|firm)|^No\\. ${cylinder} ${kind} (loose|firm)`,
        ),
      );
      const [, state = ''] =
        new RegExp(`${cylinder} ${kind} (loose|firm)`).exec(await told.innerText()) ?? [];
      return state;
    });
  }

  private barAsTold(): Promise<void> {
    return this.atTheEngine(() => this.job.tap('Bar as told'));
  }

  private async findPlace(): Promise<void> {
    const { job, page } = this;
    if (await page.getByText('Bar on to whichever mark comes first').isVisible()) {
      await this.barAsTold();
      return job.see('Mark I at the pointer');
    }
    if (await job.button('It has, just now').isVisible()) {
      await this.barAsTold();
      return job.tap('It has, just now');
    }
    const [kind = '', cylinder = ''] = (await job.unfelt()).split('.');
    const state = await this.wiggle(cylinder, kind);
    await job.see(`No. ${cylinder} ${kind} ${state}`);
  }

  /** Bars on, and feels each rocker that is asked there before it is told. */
  private async barOn(): Promise<void> {
    await this.barAsTold();
    await this.job.settled();
    const otherwise = this.job.button('There, but one is otherwise');
    const there = (await otherwise.isVisible()) ? otherwise : this.job.button('There');
    // A finger that trembles taps twice, before the screen can follow: it is there once.
    await there.evaluate((button: HTMLElement) => {
      button.click();
      button.click();
    });
  }

  /** Feels the first of the rockers that are asked for. */
  private async feelAsked(): Promise<void> {
    const first = this.job.button(/^No\. \d+ (intake|exhaust) loose$/).first();
    const name = (await first.getAttribute('aria-label')) ?? '';
    const [, cylinder = '', kind = ''] = /^No\. (\d+) (\w+)/.exec(name) ?? [];
    const state = await this.wiggle(cylinder, kind);
    await this.job.tap(`No. ${cylinder} ${kind} ${state}`);
    await this.job.keptLast(`No. ${cylinder} ${kind} ${state}`);
  }

  private tile(size: string) {
    return this.job.button(new RegExp(`^${size.replace('.', '\\.')} mm`));
  }

  /** What both limits do in a gap. */
  private tryLimits(cylinder: string, kind: string, limits: readonly string[]): Promise<boolean[]> {
    return this.atTheEngine(async () => {
      await this.page.getByRole('button', { name: new RegExp(`^Cylinder ${cylinder}\\.`) }).click();
      const take = this.job.button(`Take No. ${cylinder} ${kind}`);
      if (await take.isVisible()) await take.click();
      const enters: boolean[] = [];
      for (const limit of limits) {
        await this.tile(limit).click();
        await expect(this.tile(limit)).toHaveAccessibleName(/(enters|stops)$/);
        enters.push(((await this.tile(limit).getAttribute('aria-label')) ?? '').endsWith('enters'));
      }
      return enters;
    });
  }

  /** A blade is tapped once where it enters, and once more where it stops. */
  private async tell(
    [low, high]: readonly string[],
    [below, above]: readonly boolean[],
  ): Promise<void> {
    const tap = async (limit = '', enters = false) => {
      await this.tile(limit).click();
      await expect(this.tile(limit)).toHaveAccessibleName(/enters$/);
      if (enters) return;
      await this.tile(limit).click();
      await expect(this.tile(limit)).toHaveAccessibleName(/stops$/);
    };
    // The lower one that stops says it of the upper as well.
    if (!below) return tap(low);
    if (!above) await tap(low, true);
    return tap(high, above);
  }

  private async atAdjuster(cylinder: string, kind: string): Promise<void> {
    const { job, page } = this;
    const limits = kind === 'intake' ? ['0.28', '0.38'] : ['0.43', '0.53'];
    const enters = await this.tryLimits(cylinder, kind, limits);
    await this.tell(limits, enters);
    await job.settled();
    const asked = job.button(/^(Looked: it is so|Leave as found|Adjusted and tightened|Next)$/);
    await asked.first().waitFor();
    if (await job.button('Looked: it is so').isVisible()) await job.tap('Looked: it is so');
    if (await job.button('Next').isVisible()) return job.tap('Next');
    if (enters[0] && !enters[1]) {
      await job.tap('Leave as found');
    } else {
      await this.atTheEngine(() => job.tap(/^Set it to .*hold, lock$/));
      await job.tap('Adjusted and tightened');
      await expect(page.getByText('Locked. Read again:')).toBeVisible();
      await this.tell(limits, await this.tryLimits(cylinder, kind, limits));
    }
    await job.paint();
  }
}
