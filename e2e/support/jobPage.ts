import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** A person working through a job on the real screens, by what the controls are called. */
export class JobPage {
  constructor(readonly page: Page) {}

  button(name: string | RegExp) {
    return this.page.getByRole('button', { name, exact: typeof name === 'string' });
  }

  /** What was kept is drawn. */
  private async settled(): Promise<void> {
    await expect(this.page.locator('[aria-busy="true"]')).toHaveCount(0);
  }

  async tap(name: string | RegExp): Promise<void> {
    await this.settled();
    await this.button(name).first().click();
  }

  async start(url: string, machine: string, school?: string): Promise<void> {
    await this.page.goto(url);
    await this.page.getByRole('link', { name: new RegExp(`^${machine}`) }).click();
    await this.page.getByLabel('Who works').fill('Ina');
    if (school) await this.page.getByRole('radio', { name: new RegExp(`^${school}`) }).click();
    await this.tap('Start a lash job');
    await this.at('Why');
  }

  /** The present step is the one so named. */
  async at(step: string): Promise<void> {
    await expect(this.page.getByText(new RegExp(`^${step}( .*)? · step`))).toBeVisible();
  }

  async prepare(hours: string): Promise<void> {
    await this.isDue();
    await this.rest('Overnight', hours);
    await this.at('Make unable to start');
  }

  /** Opened because it is due. */
  async isDue(): Promise<void> {
    await this.page.getByRole('radio', { name: 'It is due' }).click();
    await this.tap('Go on');
  }

  /** From the yard to the open engine of the loader, the crank found at its mark. */
  async toTheLoader(url: string): Promise<void> {
    await this.start(url, 'Pan loader', 'Two positions');
    await this.isDue();
    await this.rest('Overnight', '450');
    await this.openUp();
    await this.toTheRockers(['Mark 0 at the pointer', 'No. 2 exhaust loose']);
  }

  /** At rest since then, and the hours. */
  async rest(since: string, hours: string): Promise<void> {
    await this.page.getByRole('radio', { name: since }).click();
    await this.page.getByLabel('What the hour meter shows').fill(hours);
    await this.tap(/^Record .* h$/);
  }

  /** Found by what is seen and felt, and barred to the first stop. */
  async toTheRockers(observations: readonly string[]): Promise<void> {
    await this.at('Find position');
    for (const name of observations) {
      await this.page.getByRole('radio', { name, exact: true }).click();
    }
    await this.tap('Barred there, and they agree');
  }

  /** Reads once more on the round and goes on from there. */
  async again(read: () => Promise<void>): Promise<void> {
    await read();
    await this.settled();
    const onward = this.button(/^(On to stop \d+ again|The round is done)$/);
    if (await onward.isEnabled()) await onward.click();
  }

  /** From the yard to stop 1 of the six, the crank found on cylinder 1's firing turn. */
  async toStopOne(url: string): Promise<void> {
    await this.start(url, 'Brine pump 2');
    await this.prepare('6601');
    await this.openUp();
    await this.feel(1, 'loose');
    await this.feel(6, 'firm');
    await this.tap('No. 1 is firing: go on');
  }

  /** Ticks every open row, those that come up meanwhile included. */
  async tickAll(): Promise<void> {
    const open = this.page.getByRole('checkbox', { checked: false });
    await expect(open.first()).toBeVisible();
    for (await this.settled(); (await open.count()) > 0; await this.settled()) {
      const name = (await open.first().getAttribute('aria-label')) ?? '';
      await open.first().click();
      const same = this.page.getByRole('checkbox', { name, exact: true, checked: false });
      await expect(same).toHaveCount(0);
    }
  }

  /** Made unable to start, covers off. */
  async openUp(): Promise<void> {
    await this.tickAll();
    await this.at('Open up');
    await this.tap('Covers off, all noted');
  }

  /** From closing up to the signed record. */
  async finish(covers: readonly string[] = []): Promise<void> {
    await this.at('Close up');
    await this.tap('Looked at, kept');
    await this.tickAll();
    for (const fastener of covers) await this.tap(fastener);
    await this.at('Make able to start');
    await this.tap('Bar and pins are out of the engine');
    await this.tickAll();
    await this.at('Run and sign');
    await this.page.getByRole('radio', { name: 'No leaks' }).click();
    await this.tap('Record the run');
    await this.tap('Sign and close the record');
  }

  /**
   * Works through step after step while its title begins so: bars on where that is asked, and
   * does what is said for the heading on the screen, an adjuster's by its kind.
   */
  async workThrough(step: string, byKind: Record<string, () => Promise<void>>): Promise<void> {
    await this.at(step);
    for (;;) {
      await this.settled();
      const title = await this.title();
      if (!title.startsWith(step)) return;
      const before = await this.where();
      const heading = await this.onScreen();
      const [, kind = heading.startsWith('Bar ') ? 'Bar' : heading] =
        /^No\. \d+ (\w+)/.exec(heading) ?? [];
      const work = byKind[kind] ?? (() => this.tap('They agree'));
      await work();
      await expect.poll(() => this.where(), { intervals: [50] }).not.toBe(before);
    }
  }

  private async title(): Promise<string> {
    return this.page.getByText(/ · step \d+ of \d+$/).innerText();
  }

  private async onScreen(): Promise<string> {
    return this.page.getByRole('heading').nth(1).innerText();
  }

  private async where(): Promise<string> {
    return `${await this.title()} ${await this.onScreen()}`;
  }

  async feel(cylinder: number, how: 'loose' | 'firm' | 'moving'): Promise<void> {
    for (const kind of ['exhaust', 'intake']) {
      await this.page.getByRole('radio', { name: `No. ${cylinder} ${kind} ${how}` }).click();
    }
  }

  /** Taps blades until `enters` enters and `stops` does not. */
  async read(enters: string, stops: string): Promise<void> {
    await this.blade(enters, 'enters');
    await this.blade(stops, 'stops');
  }

  private async blade(size: string, word: 'enters' | 'stops'): Promise<void> {
    const named = (now: string) =>
      this.button(new RegExp(`^${size.replace('.', '\\.')} mm( stack)?: ${now}$`));
    await named('not tried').click();
    if (word === 'enters') return expect(named('enters')).toBeVisible();
    await named('enters').click();
    await expect(named('stops')).toBeVisible();
  }

  async paint(): Promise<void> {
    await this.tap('Paint dab on the nut');
  }

  /** Reads the adjuster inside its limits, leaves it and puts the dab on. */
  async keep(enters: string, stops: string): Promise<void> {
    await this.read(enters, stops);
    await this.tap('Leave as found');
    await this.paint();
  }

  heading(name: string | RegExp) {
    return this.page.getByRole('heading', { name });
  }
}
