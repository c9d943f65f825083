import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** A person working through a job on the real screens, by what the controls are called. */
export class JobPage {
  constructor(readonly page: Page) {}

  button(name: string | RegExp) {
    return this.page.getByRole('button', { name, exact: typeof name === 'string' });
  }

  async tap(name: string | RegExp): Promise<void> {
    await this.button(name).first().click();
  }

  async start(url: string, machine: string): Promise<void> {
    await this.page.goto(url);
    await this.page.getByRole('link', { name: new RegExp(`^${machine}`) }).click();
    await this.page.getByLabel('Who works').fill('Ina');
    await this.tap('Start a lash job');
    await this.at('Why');
  }

  /** The present step is the one so named. */
  async at(step: string): Promise<void> {
    await expect(this.page.getByText(new RegExp(`^${step} · step`))).toBeVisible();
  }

  async prepare(hours: string): Promise<void> {
    await this.page.getByRole('radio', { name: 'It is due' }).click();
    await this.tap('Go on');
    await this.page.getByRole('radio', { name: 'Overnight' }).click();
    await this.page.getByLabel('What the hour meter shows').fill(hours);
    await this.tap(/^Record .* h$/);
    await this.at('Make unable to start');
  }

  /** From the yard to stop 1 of the six, the crank found on cylinder 1's firing turn. */
  async toStopOne(url: string): Promise<void> {
    await this.start(url, 'Brine pump 2');
    await this.prepare('6601');
    await this.tickAll();
    await this.feel(1, 'loose');
    await this.feel(6, 'firm');
    await this.tap('No. 1 is firing: go on');
  }

  async tickAll(): Promise<void> {
    const open = this.page.getByRole('checkbox', { checked: false });
    for (;;) {
      const left = await open.count();
      if (left === 0) return;
      await open.first().click();
      // An earlier tap may still be on its way to the disk: fewer, not one fewer.
      await expect.poll(() => open.count()).toBeLessThan(left);
    }
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
