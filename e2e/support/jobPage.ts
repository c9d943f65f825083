import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import type { OpenedJob } from './openedJob';
import { foundAt, openJob } from './openedJob';
import { Rockers } from './rockers';

/** A person working through a job on the real screens, by what the controls are called. */
export class JobPage {
  /** The engine as it truly is, where a test needs it to feel what is asked. */
  private crank: { rockers: Rockers; at: number } | undefined;

  constructor(readonly page: Page) {}

  button(name: string | RegExp) {
    return this.page.getByRole('button', { name, exact: typeof name === 'string' });
  }

  /** What was kept is drawn. */
  async settled(): Promise<void> {
    // Looked at again soon: an expectation waits half a second before it does.
    await this.page.locator('[aria-busy="true"]').first().waitFor({ state: 'detached' });
  }

  /** Runs several fasteners of one stage down in one act. */
  async runDown(from: number, to: number, torque: string): Promise<void> {
    await this.tap(`All up to number ${to}`);
    await this.tap(new RegExp(`^Fasteners ${from} to ${to} are at ${torque}`));
  }

  async tap(name: string | RegExp): Promise<void> {
    await this.settled();
    await this.button(name).first().click();
  }

  async start(url: string, machine: string, method?: string, who = 'Ina'): Promise<void> {
    await this.page.goto(url);
    await this.page.getByRole('link', { name: new RegExp(`^${machine}`) }).click();
    await this.begin(method, who);
  }

  /** Begins a job on the machine that is shown. */
  async begin(method?: string, who = 'Ina'): Promise<void> {
    await this.page.getByLabel('Who works').fill(who);
    if (method) await this.page.getByRole('radio', { name: new RegExp(`^${method}`) }).click();
    await this.tap('Start a lash job');
    await this.at('Why');
  }

  /** The present step is the one so named. */
  async at(step: string): Promise<void> {
    await this.page.getByText(new RegExp(`^${step}( .*)? · step`)).waitFor();
  }

  async prepare(hours: string): Promise<void> {
    await this.isDue();
    await this.rest('Overnight', hours);
    await this.at('Make unable to start');
  }

  /** Opened because it is due. */
  async isDue(): Promise<void> {
    await this.page.getByRole('radio', { name: 'It is due' }).click();
    await this.tap('Continue');
  }

  /** A job that was begun and got so far, the engine opened; it comes to this step. */
  async opened(url: string, job: OpenedJob, step = 'Find position'): Promise<void> {
    await openJob(this.page, url, job);
    await this.at(step);
  }

  /** From the yard to the open engine of the loader, the crank found at its mark. */
  async toTheLoader(url: string): Promise<void> {
    await this.start(url, 'Pan loader', 'Two positions');
    await this.isDue();
    await this.rest('Overnight', '450');
    await this.openUp();
    await this.foundBy('0', new Rockers([1, 2, 4, 5, 3]), 0);
  }

  /** Says what the job is about: only these of what it could be, or only checked. */
  async isAbout({ not = [], checkOnly = false }: { not?: string[]; checkOnly?: boolean }) {
    await this.tap(/^What is done today/);
    for (const name of not) {
      await this.page.getByRole('checkbox', { name, exact: true }).click();
      await expect(this.page.getByRole('checkbox', { name, exact: true })).not.toBeChecked();
    }
    if (!checkOnly) return;
    const only = this.page.getByRole('radio', { name: 'Check only' });
    await only.click();
    await expect(only).toBeChecked();
  }

  /** At rest since then, and the hours. */
  async rest(since: string, hours: string): Promise<void> {
    await this.page.getByRole('radio', { name: since }).click();
    await this.page.getByLabel('What the hour meter shows').fill(hours);
    await this.tap(/^Record .* h$/);
  }

  /** Found at a mark: a cylinder with both rockers loose, and its mate with both firm. */
  async found(mark: string, fires: number, mate: number): Promise<void> {
    await this.at('Find position');
    await this.see(`Mark ${mark} at the pointer`);
    this.crank = undefined;
    await this.feel(fires, 'loose');
    await this.feel(mate, 'firm');
  }

  /** Found at a mark, and by whatever rockers are asked for from there. */
  async foundBy(mark: string, rockers: Rockers, at: number): Promise<void> {
    await this.at('Find position');
    await this.see(`Mark ${mark} at the pointer`);
    await this.feelUntilTold(rockers, at);
  }

  /** Waits until this is what one tap would take back, by itself or with what was told with it. */
  async keptLast(kept: string): Promise<void> {
    const words = kept.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    await this.button(new RegExp(`^Undo: ${words}( and \\d+ more)?$`)).waitFor();
  }

  /**
   * Feels whatever is asked until the place is told, as the rockers are with the crank at `at`.
   * Bars on to a valve's peak where that is asked.
   */
  async feelUntilTold(rockers: Rockers, at: number): Promise<void> {
    let crank = at;
    for (;;) {
      await this.settled();
      this.crank = { rockers, at: crank };
      if ((await this.onScreen()) !== 'Where does it stand?') return;
      // Read in one go: the screen may be about to ask for something else.
      const peak = this.page.getByText(/Bar on slowly until No\. \d+ \w+ has stopped/);
      const [asked] = await peak.allInnerTexts();
      if (asked !== undefined) {
        const [, cylinder, kind] = /No\. (\d+) (\w+)/.exec(asked) ?? [];
        crank = rockers.peak(`${kind}.${cylinder}`);
        await this.tap('It has, just now');
        await this.button(/^Undo: .* peak\b/).waitFor();
        continue;
      }
      const id = await this.unfelt();
      const [kind, cylinder] = id.split('.');
      await this.see(`No. ${cylinder} ${kind} ${rockers.state(id, crank)}`);
    }
  }

  /** The first rocker on the screen that nothing is said of yet. */
  async unfelt(): Promise<string> {
    const loose = this.page.getByRole('radio', { name: /^No\. \d+ (intake|exhaust) loose$/ });
    for (let i = 0; i < (await loose.count()); i++) {
      const name = (await loose.nth(i).getAttribute('aria-label')) ?? '';
      const said = (state: string) =>
        this.page
          .getByRole('radio', { name: name.replace('loose', state), exact: true, checked: true })
          .count();
      if ((await said('loose')) + (await said('firm')) > 0) continue;
      return name.replace(/^No\. (\d+) (\w+) loose$/, '$2.$1');
    }
    throw new Error('Every rocker on the screen was felt, and the place is not told.');
  }

  /** Taps what is seen or felt of the crank, and waits until it is kept. */
  async see(name: string): Promise<void> {
    await this.settled();
    const one = this.page.getByRole('radio', { name, exact: true });
    await one.or(this.page.getByRole('checkbox', { name, exact: true })).click();
    const kept = name
      .replace('rocks at overlap', 'rocking')
      .replace('piston at its top', 'top')
      .replace('just at its lowest', 'peak');
    await this.keptLast(kept);
  }

  /** Reads once more on the round and goes on from there. */
  async again(read: () => Promise<void>): Promise<void> {
    await read();
    await this.tap('Next');
  }

  /** The way on barred as told, and the rockers felt as told. */
  async barred(): Promise<void> {
    await this.tap(/^There(, all as told)?$/);
  }

  /** Stop 1 of the six, the crank found on cylinder 1's firing turn. */
  async toStopOne(url: string): Promise<void> {
    const then = foundAt('I', 1, 6);
    await this.opened(url, { machine: 'Brine pump 2', hours: 6601, then }, 'Stop 1 of 2');
  }

  /** The way on to stop 2 of the six. */
  async toTheWayOn(url: string): Promise<void> {
    await this.toStopOne(url);
    for (let i = 0; i < 3; i++) await this.keep('0.30', '0.33');
    for (let i = 0; i < 3; i++) await this.keep('0.55', '0.58');
    await this.heading('Bar 360° clockwise').waitFor();
  }

  /** Ticks every open row, those that come up meanwhile included. */
  async tickAll(): Promise<void> {
    const open = this.page.getByRole('checkbox', { checked: false });
    await open.first().waitFor();
    for (await this.settled(); (await open.count()) > 0; await this.settled()) {
      const name = (await open.first().getAttribute('aria-label')) ?? '';
      await open.first().click();
      const same = this.page.getByRole('checkbox', { name, exact: true, checked: false });
      await same.first().waitFor({ state: 'detached' });
    }
  }

  /** Made unable to start, covers off. */
  async openUp(): Promise<void> {
    await this.tickAll();
    await this.at('Open up');
    await this.tap('Covers off, all noted');
  }

  /** From closing up to the signed record. */
  async finish(covers: readonly string[] = [], sign = 'Sign and close the record'): Promise<void> {
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
    await this.tap(sign);
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
      const way = heading.startsWith('Bar ') ? 'On the way' : heading;
      const [, kind = way] = /^No\. \d+ (\w+)/.exec(heading) ?? [];
      await (byKind[kind] ?? (() => this.onTheWay()))();
      await expect.poll(() => this.where(), { intervals: [50] }).not.toBe(before);
    }
  }

  /** What comes before the work: barred and felt as told, or the round's end. */
  private async onTheWay(): Promise<void> {
    const heading = await this.onScreen();
    const [, way] = /^Bar (\d+)°/.exec(heading) ?? [];
    if (this.crank && way) this.crank.at += Number(way);
    if (this.crank && heading === 'Where does it stand?') {
      return this.feelUntilTold(this.crank.rockers, this.crank.at);
    }
    await this.tap(/^(There(, all as told)?|All as told|The rest as told|The round is done)$/);
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

  async feel(cylinder: number, how: 'loose' | 'firm'): Promise<void> {
    for (const kind of ['exhaust', 'intake']) {
      await this.see(`No. ${cylinder} ${kind} ${how}`);
    }
  }

  /** Taps blades until `enters` enters and `stops` does not. */
  async read(enters: string, stops: string): Promise<void> {
    // The blades that were there before may be read for something else.
    await this.settled();
    await this.blade(enters, 'enters');
    await this.blade(stops, 'stops');
  }

  private async blade(size: string, word: 'enters' | 'stops'): Promise<void> {
    const named = (now: string) =>
      this.button(new RegExp(`^${size.replace('.', '\\.')} mm( stack)?: ${now}$`));
    await named('not tried').click();
    if (word === 'enters') return named('enters').waitFor();
    await named('enters').click();
    await named('stops').waitFor();
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
