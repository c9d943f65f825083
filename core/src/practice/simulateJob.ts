import { itemAt } from '../itemAt';
import type { BarringMethod } from '../barring/methods';
import { planWork } from '../crank/planWork';
import type { EngineSheet } from '../engine/sheet';
import type { ShopPolicy } from '../gauging/policy';
import type { JobAct, JobEvent } from '../job/journal/events';
import type { JobHead } from '../job/journal/jobHead';
import type { JobBegun } from '../job/journal/setting';
import type { RoundRule } from '../job/journal/roundRule';
import type { JobScope } from '../job/journal/scope';
import { lastTapped } from '../job/journal/lastTapped';
import { RETURNS } from '../job/journal/crankFields';
import { isClosing } from '../job/journal/closing';
import { isAtAdjuster } from '../job/instruction/adjusterInstruction';
import { mayReturn, notClear, notToRunWith, openWork } from '../job/instruction/gates';
import { nextOf } from '../job/instruction/jobInstruction';
import { mustHangLock } from '../job/instruction/lockGates';
import { SeededRandom } from '../seededRandom';
import type { Faults } from './hiddenEngine';
import { hiddenEngine } from './hiddenEngine';
import { EngineJournal } from './engineJournal';
import type { Truths } from './witnessed';
import { leftAt, witnessed } from './witnessed';
import type { LogEntry } from './log';
import type { AtJob } from './atJob';
import { UNASKED } from './unasked';
import { AT_HAND, Mechanic } from './mechanic';
import type { Result } from '../result';
import { isRefused } from '../result';

export type SimulatedJob = {
  method: BarringMethod;
  policy: ShopPolicy;
  /** The true crank angle at the beginning, degrees. */
  start: number;
  seed: number;
  faults: Faults;
  /** So many phones share the work, their clocks apart; one if absent. */
  phones?: 1 | 2 | 3 | undefined;
  round?: RoundRule | undefined;
  /** What the job is about; all of the engine if absent. */
  scope?: JobScope | undefined;
  /** The shop's rule of aiming and how fast each adjuster drifts; no aims if absent. */
  aims?: Required<Pick<JobBegun, 'aim' | 'rates'>> | undefined;
};

export type JobOutcome = {
  events: readonly JobEvent[];
  log: LogEntry[];
  /** What was true as each event was written down, by its id. */
  truths: Truths;
  /** The gaps, heights and preloads as they were left, µm. */
  left: Record<string, number>;
  /** How far the mechanic turned it, degrees. */
  turned: number;
  outcome: 'signed' | 'incomplete' | 'stuck';
};

/** So many acts no job needs: one that takes more is stuck. */
const MOST_ACTS = 4000;
const BEGUN = Date.UTC(2026, 4, 2, 8);
const SECONDS = 1000;
/** The clock of each phone is so much behind that of the one before, ms. */
const CLOCKS_APART = 7 * 60 * SECONDS;
const PEOPLE = ['Ina', 'Orla', 'Tam'] as const;

/** What can be taken back though it was so, and done once more: it left nothing at the engine. */
const TAKEN_BACK: ReadonlySet<JobEvent['type']> = new Set([
  ...(['why.noted', 'hours.read', 'ready.done', 'isolation.done', 'isolation.undone'] as const),
  ...(['lock.hung', 'rotation.stated', 'crank.observed', 'reading.taken'] as const),
  ...(['adjuster.painted', 'adjuster.kept', 'torque.done'] as const),
  ...(['round.done', 'closing.done', 'tools.counted', 'bar.out', 'shims.planned'] as const),
]);

/**
 * A whole job by a mechanic who does what the instructions say and reports what the hidden
 * engine gives. The same seed makes the same job. Refused where the method is.
 *
 * `simulateJob(sheet, { method: 'each', policy: 'leave-inside', start: 137, seed: 1, faults: {} })`
 */
export function simulateJob(sheet: EngineSheet, job: SimulatedJob): Result<JobOutcome> {
  const refused = planWork(sheet, { method: job.method });
  if (isRefused(refused)) return refused;
  return new Simulation(sheet, job).run();
}

/** Whether it can be taken back and done once more: a blade is read before locking once it is set. */
function leftNothing(event: JobEvent): boolean {
  return TAKEN_BACK.has(event.type) && !(event.type === 'reading.taken' && event.phase === 'set');
}

class Simulation {
  private readonly random: SeededRandom;
  private readonly log: LogEntry[] = [];
  private readonly mechanic: Mechanic;
  /** The journal of the phone that is tapped now. */
  private journal: EngineJournal;
  /** So many events were written down. */
  private told = 0;
  /** The clock of each phone is so much behind that of the one before, ms. */
  private readonly clocksApart: number;
  private clock = BEGUN;
  private turn = 0;
  /** When what is told now was tapped: what one tap says has one instant. */
  private tappedAt = BEGUN;
  private readonly phones: number;
  /** What is done now is done at the engine, behind one's own lock. */
  private handsIn = true;

  constructor(
    private readonly sheet: EngineSheet,
    private readonly job: SimulatedJob,
  ) {
    const { seed, start, faults, method, policy, round, aims, phones = 1 } = job;
    this.phones = phones;
    this.random = new SeededRandom(seed ^ 0x5eed);
    const engine = witnessed(hiddenEngine(sheet, { seed, crank: start, faults }));
    this.mechanic = new Mechanic(engine, faults, this.random, this.log);
    // Phones that meet again are held against each other by their clocks.
    this.clocksApart = faults.apart === undefined ? CLOCKS_APART : 0;
    const rules = { policy, round, ...aims, ...(aims && { bladeSets: [AT_HAND] }) };
    this.journal = new EngineJournal({ head: headOf(method), sheet, ...rules }, engine);
  }

  run(): JobOutcome {
    const { scope, faults } = this.job;
    if (scope) this.tap([{ type: 'scope.chosen', ...scope }]);
    for (let acts = 0; acts < MOST_ACTS; acts++) {
      for (const [what, unasked] of UNASKED) {
        if (this.random.next() < (faults[what] ?? 0)) this.tap(unasked(this.atJob()));
      }
      if (faults.returns !== undefined && this.random.next() < faults.returns) this.goBackToWork();
      if (faults.apart !== undefined && this.random.next() < faults.apart) this.workApart();
      const { signed } = this.journal.state();
      if (signed) return this.ended(signed.incomplete ? 'incomplete' : 'signed');
      if (!this.obey()) break;
      if (faults.takesBack !== undefined && this.random.next() < faults.takesBack) this.takeBack();
      this.turn++;
    }
    return this.ended('stuck');
  }

  /** Does the next thing that the phone asks for; answers whether the mechanic knew how. */
  private obey(atRockersOnly = false): boolean {
    const { journal } = this;
    const setting = journal.setting();
    const instruction = nextOf(setting, journal.state(), this.now());
    if (!instruction || (atRockersOnly && !isAtAdjuster({ ...instruction, missing: [] })))
      return false;
    const answer = this.mechanic.answer(instruction, setting, journal.state(), this.now());
    if (!answer) return false;
    this.handsIn = instruction.step !== 'able' && instruction.step !== 'run';
    this.tap(answer);
    return true;
  }

  /**
   * All phones lose their signal where the crank stands. Each goes on at the rockers by what it
   * knows, one act of one of them at a time, until they hear of each other again.
   */
  private workApart(): void {
    const shared = this.journal;
    const others = Array.from({ length: this.phones - 1 }, () => shared.copy());
    const phones = [shared, ...others];
    for (let acts = this.random.whole(2, 16); acts > 0; acts--) {
      this.turn = this.random.whole(0, others.length);
      this.journal = itemAt(phones, this.phone());
      this.obey(true);
    }
    this.journal = shared;
    for (const other of others) shared.hear(other);
  }

  private ended(outcome: JobOutcome['outcome']): JobOutcome {
    const { events, truths, engine } = this.journal;
    const left = leftAt(engine, this.sheet);
    return { events, log: this.log, outcome, truths, left, turned: engine.turnedInAll() };
  }

  /** The job, as somebody finds it who does something that it does not ask for. */
  private atJob(): AtJob {
    const { sheet, journal, mechanic, random, log } = this;
    const pass = (minutes: number) => (this.clock += minutes * 60 * SECONDS);
    return { sheet, journal, mechanic, random, log, person: this.person(), now: this.now(), pass };
  }

  private now(): string {
    return new Date(this.clock).toISOString();
  }

  /** The engine runs or moves in between, wherever it may. */
  private goBackToWork(): void {
    const state = this.journal.state();
    if (!state.opened || isClosing(state) || openWork(state) || notToRunWith(state).length > 0)
      return;
    this.handsIn = false;
    const clear = notClear(state).map((person): JobAct => ({ type: 'clear.said', person }));
    this.tap([{ type: 'bar.out' }, ...clear]);
    if (!mayReturn(this.journal.state())) return;
    const turned = this.random.whole(0, 719);
    this.journal.engine.disturb(turned);
    this.log.push({ bar: turned });
    this.tap([{ type: 'engine.returned', why: this.random.one(RETURNS) }]);
  }

  /** Takes back one's own last few taps, as far as they left nothing at the engine. */
  private takeBack(): void {
    for (let many = this.random.whole(1, 3); many > 0; many--) {
      const tapped = lastTapped(this.journal.state(), this.person());
      if (!tapped.every(leftNothing)) return;
      this.tap(tapped.map(({ id }) => ({ type: 'event.undone', target: id })));
    }
  }

  /** Which phone is tapped now. */
  private phone(): number {
    return this.turn % this.phones;
  }

  private tap(acts: readonly JobAct[]): void {
    this.tappedAt = this.clock;
    for (const act of acts) this.record(act);
  }

  private record(act: JobAct): void {
    const { journal } = this;
    const before = journal.state();
    const locksFirst = this.handsIn && act.type !== 'lock.hung';
    if (locksFirst && mustHangLock(journal.setting().sheet, before, this.person())) {
      journal.append({ type: 'lock.hung' }, this.envelope(this.person()));
    }
    // Each says clear for themselves.
    journal.tell(act, this.envelope(act.type === 'clear.said' ? act.person : this.person()));
  }

  private person(): string {
    return itemAt(PEOPLE, this.phone());
  }

  private envelope(by: string) {
    return () => {
      this.clock += 5 * SECONDS;
      const at = new Date(this.tappedAt - this.phone() * this.clocksApart).toISOString();
      return { id: uuidOf(++this.told), at, by };
    };
  }
}

const JOB = '00000000-0000-4000-8000-000000000001';

function uuidOf(n: number): string {
  return `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`;
}

function headOf(method: BarringMethod): JobHead {
  const at = new Date(BEGUN).toISOString();
  return { id: JOB, machine: uuidOf(0), method, sheetRevision: 1, at, by: PEOPLE[0] };
}
