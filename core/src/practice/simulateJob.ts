import { itemAt } from '../itemAt';
import type { BarringMethod } from '../barring/methods';
import type { Refused } from '../barring/barringPlan';
import { isRefused } from '../barring/barringPlan';
import { planWork } from '../crank/planWork';
import type { EngineSheet } from '../engine/sheet';
import type { ShopPolicy } from '../gauging/judgeReading';
import type { JobAct, JobEvent } from '../job/journal/events';
import type { JobHead } from '../job/journal/jobHead';
import type { FoldedJob } from '../job/journal/fold';
import { foldOn } from '../job/journal/fold';
import { isOfCrank } from '../job/journal/foldPosition';
import type { RoundRule } from '../job/journal/roundRule';
import type { JobScope } from '../job/journal/scope';
import type { JobBegun, JobSetting } from '../job/journal/setting';
import { settingOf } from '../job/journal/setting';
import type { JobState } from '../job/journal/state';
import { dueActs } from '../job/instruction/jobPlan';
import { nextOf } from '../job/instruction/jobInstruction';
import { isolationsOf } from '../job/instruction/gates';
import { mustHangLock } from '../job/instruction/lockGates';
import { SeededRandom } from '../seededRandom';
import type { Faults } from './hiddenEngine';
import { hiddenEngine } from './hiddenEngine';
import type { LogEntry } from './log';
import { Mechanic } from './mechanic';

export type SimulatedJob = {
  method: BarringMethod;
  policy: ShopPolicy;
  /** The true crank angle at the beginning, degrees. */
  start: number;
  seed: number;
  faults: Faults;
  /** Two phones share the work, their clocks apart; one if absent. */
  phones?: 1 | 2 | undefined;
  round?: RoundRule | undefined;
  /** What the job is about; all of the engine if absent. */
  scope?: JobScope | undefined;
};

export type JobOutcome = {
  events: JobEvent[];
  log: LogEntry[];
  outcome: 'signed' | 'incomplete' | 'stuck';
};

/** So many acts no job needs: one that takes more is stuck. */
const MOST_ACTS = 4000;
const BEGUN = Date.UTC(2026, 4, 2, 8);
const SECONDS = 1000;
/** The second phone's clock is behind by so much, ms. */
const CLOCKS_APART = 7 * 60 * SECONDS;
const PAUSE_MINUTES = 15;
const PEOPLE = ['Ina', 'Orla'] as const;

/**
 * A whole job by a mechanic who does what the instructions say and reports what the hidden
 * engine gives. The same seed makes the same job. Refused where the method is.
 *
 * `simulateJob(sheet, { method: 'each', policy: 'leave-inside', start: 137, seed: 1, faults: {} })`
 */
export function simulateJob(sheet: EngineSheet, job: SimulatedJob): JobOutcome | Refused {
  const refused = planWork(sheet, { method: job.method });
  if (isRefused(refused)) return refused;
  return new Simulation(sheet, job).run();
}

class Simulation {
  private readonly random: SeededRandom;
  private readonly log: LogEntry[] = [];
  private readonly mechanic: Mechanic;
  private readonly engine;
  private readonly begun: JobBegun;
  private folded: FoldedJob | undefined;
  private events: JobEvent[] = [];
  private clock = BEGUN;
  private turn = 0;

  constructor(
    sheet: EngineSheet,
    private readonly job: SimulatedJob,
  ) {
    const { seed, start, faults, method, policy, round } = job;
    this.random = new SeededRandom(seed ^ 0x5eed);
    this.engine = hiddenEngine(sheet, { seed, crank: start, faults });
    this.mechanic = new Mechanic(this.engine, faults, this.random, this.log);
    this.begun = { head: headOf(method), sheet, policy, round };
  }

  run(): JobOutcome {
    const { scope } = this.job;
    if (scope) this.record({ type: 'scope.chosen', ...scope });
    for (let acts = 0; acts < MOST_ACTS; acts++) {
      const state = this.state();
      const setting = this.settingNow(state);
      if (this.random.next() < (this.job.faults.interrupted ?? 0)) this.interrupt(state);
      const instruction = nextOf(setting, this.state(), new Date(this.clock).toISOString());
      if (!instruction) {
        const outcome = this.state().signed?.incomplete ? 'incomplete' : 'signed';
        return { events: this.events, log: this.log, outcome };
      }
      const answer = this.mechanic.answer(instruction, setting, this.state(), this.now());
      if (!answer) break;
      for (const act of answer) this.record(act);
      this.turn++;
    }
    return { events: this.events, log: this.log, outcome: 'stuck' };
  }

  private now(): string {
    return new Date(this.clock).toISOString();
  }

  private state(): JobState {
    this.folded = foldOn(this.folded, this.events);
    return this.folded.state;
  }

  private settingNow(state: JobState): JobSetting {
    return settingOf(this.begun, state);
  }

  /** A long pause: a stranger may turn the crank, once the engine cannot start. */
  private interrupt(state: JobState): void {
    const { sheet } = this.begun;
    const isolated = isolationsOf(sheet).every(({ id }) => state.isolations[id]);
    if (isolated && !this.mechanic.isOpen() && this.random.next() < 0.5) {
      const by = this.random.whole(20, 700);
      this.engine.bar(by);
      this.log.push({ bar: by });
    }
    this.clock += PAUSE_MINUTES * 60 * SECONDS;
    this.record({ type: 'work.paused', minutes: PAUSE_MINUTES });
  }

  private phone(): 0 | 1 {
    return this.job.phones === 2 && this.turn % 2 === 1 ? 1 : 0;
  }

  private record(act: JobAct): void {
    const before = this.state();
    const { sheet } = this.settingNow(before);
    const locksFirst = !before.barOut && act.type !== 'lock.hung';
    if (locksFirst && mustHangLock(sheet, before, itemAt(PEOPLE, this.phone()))) {
      this.append({ type: 'lock.hung' });
    }
    this.append(act);
    const state = this.state();
    for (const due of dueActs(this.settingNow(state), state)) this.append(due);
  }

  private append(act: JobAct): void {
    const phone = this.phone();
    const n = this.events.length + 1;
    this.clock += 5 * SECONDS;
    const after = isOfCrank(act.type) ? { after: this.state().crank.last } : {};
    const event = {
      ...act,
      ...after,
      id: uuidOf(n),
      job: JOB,
      n,
      at: new Date(this.clock - phone * CLOCKS_APART).toISOString(),
      // Each says clear for themselves.
      by: act.type === 'clear.said' ? act.person : itemAt(PEOPLE, phone),
    };
    this.events = [...this.events, event];
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
