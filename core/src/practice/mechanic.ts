import type { Observation } from '../crank/observation';
import type { EngineSheet, Spec } from '../engine/sheet';
import { figuresOf } from '../engine/variant';
import { verdictOf } from '../gauging/judgeReading';
import { toSet } from '../gauging/toSet';
import type { BladeSet } from '../gauging/blades';
import { planShims } from '../gauging/shims';
import type { JobAct } from '../job/journal/events';
import type { JobSetting } from '../job/journal/setting';
import type { Exemptible, JobState } from '../job/journal/state';
import type { AtStep } from '../job/instruction/atWork';
import { missingTemperature } from '../job/instruction/gates';
import { marksDoubted } from '../job/instruction/marksDoubted';
import type { BarInstruction } from '../job/instruction/instruction';
import { jobPlan } from '../job/instruction/jobPlan';
import { shimPlanTaken, shimRows } from '../job/instruction/jobShims';
import type { SeededRandom } from '../seededRandom';
import type { Faults, HiddenEngine } from './hiddenEngine';
import type { LogEntry } from './log';
import { turnAsTold } from './turnAsTold';
import { isRefused } from '../result';

type Answer = readonly JobAct[] | undefined;
type To<D extends AtStep['do']> = Extract<AtStep, { do: D }>;

/** Blades this far apart are at hand; stacked they tell a gap finer, µm. */
const BLADE_STEP = 20;
const STACK_STEP = 5;
/** So far apart are those of whoever is in a hurry, µm. */
const FAR_APART = 140;
/** The blades themselves. */
export const AT_HAND: BladeSet = {
  name: 'at hand',
  unit: 'mm',
  blades: Array.from({ length: 100 }, (_, i) => (i + 1) * BLADE_STEP),
};
/** The share of runs that leak. */
const LEAKS = 0.2;

/** Whoever set it so often where it was placed looks at the page again. */
const MOST_TRIES = 4;
/** Nobody misreads a data tag more often. */
const MOST_LOOKS = 3;
/** Shims that can be bought, µm. */
const TO_BUY = { from: 1000, to: 5000, step: 10 };

/** Does what an instruction says at the hidden engine, and says what came of it. */
export class Mechanic {
  /** What locking was seen to close, µm: it is left as much looser the next time. */
  private readonly shifted = new Map<string, number>();
  /** What was placed by hand, and how often it was set since: on its lobe it cannot be. */
  private readonly placed = new Map<string, number>();
  /** How often the data tag was looked at again. */
  private looks = 0;
  /** What was seen did not fit together once before. */
  private lookedAgain = false;

  constructor(
    private readonly engine: HiddenEngine,
    readonly faults: Faults,
    readonly random: SeededRandom,
    private readonly log: LogEntry[],
  ) {}

  /** The acts that answer an instruction; undefined where the mechanic knows no answer. */
  answer(at: AtStep, setting: JobSetting, state: JobState, now: string): Answer {
    switch (at.do) {
      case 'answer':
        return this.say(at, setting, state, now);
      case 'bar':
        return this.bar(at);
      case 'feel':
        return [
          ...at.feel.loose.map((id) => this.feel(id, 'loose')),
          ...at.feel.firm.map((id) => this.feel(id, 'firm')),
        ];
      case 'look':
        return this.lookAgain(at, state);
      case 'read':
        return [this.read(at.id, at.phase, this.bladeStep(), at.spec)];
      case 'settle':
        return this.settle(at, state);
      case 'decide':
        return [{ type: 'adjuster.kept', adjuster: at.id }];
      case 'adjust':
      case 'lock':
        return this.adjust(at);
      case 'mark':
        this.log.push({ mark: at.id });
        return [{ type: 'adjuster.painted', adjuster: at.id }];
      case 'torque':
        return [this.runDown(at, setting)];
      case 'run': {
        if (at.not.length > 0 && this.happens('exempts'))
          return [exempted('run', 'Its nut was looked at since: it holds.')];
        const ran = at.not.length === 0;
        return [{ type: 'run.noted', ran, leaks: ran && this.random.next() < LEAKS }];
      }
      case 'fit':
        return 'acts' in at ? this.fit(at.acts, state) : this.planShims(setting, state);
      case 'isolate':
        if (this.happens('exempts'))
          return [{ type: 'isolation.exempted', isolation: at.isolation, reason: 'Not fitted' }];
        return [ordinaryAct(at)];
      default:
        return [ordinaryAct(at)];
    }
  }

  /** Looks at the data tag again and sees that it says another; nothing before it was read. */
  tagAgain({ tag, signed }: JobState, sheet: EngineSheet): JobAct[] {
    const others = (sheet.variants ?? []).filter((each) => each.tag !== tag);
    if (tag === undefined || signed || others.length === 0 || this.looks >= MOST_LOOKS) return [];
    this.looks++;
    return [tagAct(sheet, this.random.one(others).tag)];
  }

  /** Takes it that the crank was turned; where that helped nothing, the marks are wrong. */
  private lookAgain({ again }: To<'look'>, state: JobState): Answer {
    const marks = again.some((seen) => 'mark' in seen);
    if (marks && this.lookedAgain) return marksDoubted(state);
    this.lookedAgain = true;
    return [{ type: 'crank.turned', degrees: null, how: 'unknown' }];
  }

  private say(at: To<'answer'>, setting: JobSetting, state: JobState, now: string): Answer {
    switch (at.ask) {
      case 'why':
        return [{ type: 'why.noted', reason: this.faults.headWork ? 'head-work' : 'interval' }];
      case 'tag':
        return [tagAct(setting.sheet, this.random.one(at.tags))];
      case 'hours':
        if (this.happens('exempts')) return [exempted('hours', 'The meter is dark.')];
        return [{ type: 'hours.read', hours: 1000 }];
      case 'ready':
        return [{ type: 'ready.done', item: at.item }];
      case 'rotation':
        return [{ type: 'rotation.stated', sense: 'clockwise', seenFrom: 'front' }];
      case 'turned':
        if (this.faults.careless === 'nobody-turned') return [{ type: 'crank.held' }];
        // Who was away never says that nobody turned it.
        return [{ type: 'crank.turned', degrees: null, how: 'unknown' }];
      case 'shim':
        return [{ type: 'shim.found', adjuster: at.id, size: this.shimMarked(at.id) }];
      case 'question': {
        const { key, says } = at.question;
        const mayRun = this.happens('findsDamage') ? false : undefined;
        const answer = 'Looked, it is so';
        return [{ type: 'question.answered', question: key, answer, says, mayRun }];
      }
      case 'chart':
        if (this.happens('setsByHand')) return [this.place(at.id, at.at)];
        return [{ type: 'adjuster.moved', adjuster: at.id }];
      case 'leak':
        return [
          this.random.next() < 0.5
            ? { type: 'run.noted', ran: true, leaks: this.random.next() < LEAKS }
            : exempted('leak', 'It is mended with the next oil.'),
        ];
      case 'unserved':
        if (at.mayPlace && this.happens('setsByHand')) return this.placeByManual(at.id);
        return [{ type: 'adjuster.unset', adjuster: at.id, reason: 'no-place' }];
      case 'temperature':
        if (this.happens('exempts')) return [exempted('temperature', 'It rained on it.')];
        return [temperatureAct(setting.sheet, state, now)];
      default:
        return undefined;
    }
  }

  /** Whether this fault shows now; where it never does, no chance is drawn. */
  private happens(
    fault:
      | 'exempts'
      | 'setsByHand'
      | 'runsDownMany'
      | 'findsDamage'
      | 'readsOneSide'
      | 'readsWide'
      | 'mismarked',
  ): boolean {
    const chance = this.faults[fault] ?? 0;
    return chance > 0 && this.random.next() < chance;
  }

  private bladeStep(): number {
    return this.happens('readsWide') ? FAR_APART : BLADE_STEP;
  }

  /** The size of the shim in a bucket by its mark, µm, which may be wrong. */
  private shimMarked(id: string): number {
    const size = this.engine.shim(id);
    return this.happens('mismarked') ? size + this.random.one([-150, 150]) : size;
  }

  /** Runs down the fastener that is asked for, or all up to a later one in one act. */
  private runDown({ sequence, stage, fastener }: To<'torque'>, { sheet }: JobSetting): JobAct {
    const last = (sheet.torques?.find(({ id }) => id === sequence)?.fasteners.length ?? 1) - 1;
    const many = fastener < last && this.happens('runsDownMany');
    const through = many && { through: this.random.whole(fastener + 1, last) };
    return { type: 'torque.done', sequence, stage, fastener, ...through };
  }

  /** Sets it where the crank stands, or bars it to where the manual has it first. */
  private placeByManual(id: string): JobAct[] {
    if (this.random.next() < 0.5) return [this.place(id)];
    this.turn(this.random.whole(1, 700));
    return [{ type: 'crank.turned', degrees: null, how: 'unknown' }, this.place(id)];
  }

  /** Says that it is set where it stands, or where the manual's chart has it. */
  private place(id: string, stop?: number): JobAct {
    const where = stop !== undefined && { stop };
    this.placed.set(id, 0);
    this.log.push({ placed: id, ...where });
    return { type: 'adjuster.placed', adjuster: id, reason: 'The manual, page 9', ...where };
  }

  /** Turns as told, waits for what is to be seen, and says so; or notices to have gone past. */
  private bar(at: BarInstruction): Answer {
    const turn = turnAsTold(this.engine, at, this);
    if (!turn) return undefined;
    const { degrees, seen, past } = turn;
    this.turn(degrees);
    const there = seen && this.engine.sees(seen);
    if (past > 0 || (seen && !there)) {
      return [{ type: 'crank.turned', degrees: null, how: 'overshot' }];
    }
    const { turned, to } = at;
    const act: JobAct = {
      type: 'crank.turned',
      how: 'barred',
      ...turned,
      ...(to !== undefined && { to }),
    };
    return seen ? [act, this.see(seen)] : [act];
  }

  private turn(degrees: number): void {
    this.engine.bar(degrees);
    this.log.push({ bar: degrees });
  }

  private see(seen: Observation): JobAct {
    const see = 'mark' in seen ? seen.mark : 'cylinder' in seen ? seen.cylinder : seen.id;
    this.log.push({ see, state: seen.state });
    return { type: 'crank.observed', observation: seen };
  }

  private feel(id: string, expected: 'loose' | 'firm'): JobAct {
    const unfelt = this.faults.careless === 'feels-nothing';
    const state = unfelt ? expected : this.engine.feel(id);
    this.log.push({ feel: id, state });
    return { type: 'crank.observed', observation: { id, state } };
  }

  /** Reads it by blades so far apart; with its limits, one side of it may be all that is tried. */
  private read(
    id: string,
    phase: 'found' | 'set' | 'left' | 'again',
    step: number,
    limits?: Spec,
  ): JobAct {
    const whole = this.engine.measure(id, step);
    const side = limits && whole.how === 'go-no-go' && verdictOf(limits, whole);
    const one = (side === 'tight' || side === 'loose') && this.happens('readsOneSide');
    const reading = { ...whole, ...(one && (side === 'tight' ? { go: 0 } : { noGo: null })) };
    this.log.push({ read: id, phase, go: reading.go, noGo: reading.noGo });
    return { type: 'reading.taken', adjuster: id, phase, reading };
  }

  /** Tries the blades at the limit; what stays between those is set, or left once it was set. */
  private settle({ id, phase }: To<'settle'>, { adjusters }: JobState): Answer {
    const { go = 0, noGo = null } = adjusters[id]?.[phase] ?? {};
    if (noGo === null || noGo - go > STACK_STEP) return [this.read(id, phase, STACK_STEP)];
    if (phase === 'found') return [{ type: 'adjuster.kept', adjuster: id }];
    this.log.push({ mark: id });
    return [{ type: 'adjuster.painted', adjuster: id }];
  }

  private adjust({ do: what, id, ...at }: To<'adjust'> | To<'lock'>): Answer {
    const times = this.placed.get(id);
    if (times !== undefined) this.placed.set(id, times + 1);
    if ((times ?? 0) >= MOST_TRIES)
      return [{ type: 'adjuster.unset', adjuster: id, reason: 'no-place' }];
    if (at.spec) {
      const loose = this.shifted.get(id) ?? 0;
      this.engine.set(id, toSet(at.spec) + loose);
      // A gap that came out off its target tells what locking does: so much looser next time.
      const { go, noGo } = this.engine.measure(id, STACK_STEP);
      const off = toSet(at.spec) - (go + (noGo ?? go)) / 2;
      this.shifted.set(id, loose + Math.round(off));
    }
    this.log.push({ set: id });
    if (what === 'adjust' && at.spec && this.faults.readsBeforeLocking)
      return [this.read(id, 'set', STACK_STEP)];
    const { torque, spec } = at;
    const aimed = spec?.aim === undefined ? {} : { aimed: spec.aim };
    const how =
      torque === undefined ? { how: 'feel' as const } : { how: 'torque' as const, torque };
    return [{ type: 'adjuster.locked', adjuster: id, ...how, ...aimed }];
  }

  private planShims(setting: JobSetting, state: JobState): Answer {
    const plan = jobPlan(setting, state);
    if (isRefused(plan)) return undefined;
    const rows = shimRows(setting, state, plan);
    const { policy } = setting;
    const shims = planShims(rows, { stock: [], buy: TO_BUY, policy });
    if (shims.outside.length > 0) {
      return shims.outside.map((adjuster) => ({
        type: 'adjuster.unset',
        adjuster,
        reason: 'no-part',
      }));
    }
    const taken = shimPlanTaken(shims, state);
    for (const act of taken)
      if (act.type === 'adjuster.painted') this.log.push({ mark: act.adjuster });
    return taken;
  }

  /** All of a place at once: all shims out, then all in, a stand-in where one has to wait. */
  private fit(acts: readonly { id: string; in: number | null }[], { shims }: JobState): Answer {
    return acts.map((act) => {
      const from = shims?.rows.find(({ id }) => id === act.id)?.from ?? '';
      // The bucket that it comes out of is opened for it, where nothing was put into that one yet.
      if (act.in !== null && shims && !(from in shims.put)) this.log.push({ set: from });
      this.engine.fit(act.id, act.in ?? this.engine.shim(act.id));
      this.log.push({ set: act.id });
      return { type: 'shim.fitted', adjuster: act.id, size: act.in };
    });
  }
}

/** What is simply done as it is told. */
function ordinaryAct(at: AtStep): JobAct {
  switch (at.do) {
    case 'isolate':
      return { type: 'isolation.done', isolation: at.isolation };
    case 'hang':
      return { type: 'lock.hung' };
    case 'open':
      return { type: 'opening.done' };
    case 'round':
      return { type: 'round.done' };
    case 'close':
      return { type: 'closing.done', item: at.item };
    case 'clear':
      return at.what === 'bar' ? { type: 'bar.out' } : { type: 'clear.said', person: at.person };
    case 'count':
      return { type: 'tools.counted' };
    case 'restore':
      return { type: 'isolation.undone', isolation: at.isolation };
    case 'sign':
      return { type: 'job.signed', name: 'Ina', ...(at.incomplete && { incomplete: true }) };
    default:
      throw new Error(`Nothing is simply done for “${at.do}”.`);
  }
}

function exempted(gate: Exemptible, reason: string): JobAct {
  return { type: 'gate.exempted', gate, reason };
}

/** The tag as read, with the figures that the sheet gives for it. */
function tagAct(sheet: EngineSheet, tag: string): JobAct {
  return { type: 'tag.read', tag, figures: figuresOf(sheet, tag) };
}

/** Rested since yesterday, or run hot just now; what cannot be waited for has its reason. */
function temperatureAct(sheet: EngineSheet, state: JobState, now: string): JobAct {
  const [missing] = missingTemperature(sheet, state, now);
  const yesterday = new Date(Date.parse(now) - 86_400_000).toISOString();
  if (missing?.code === 'cold-since') return { type: 'cold.stated', since: yesterday };
  if (missing?.code === 'hot-stated') {
    return { type: 'hot.stated', stopped: now, ran: sheet.temperature?.soakMinutes ?? 0 };
  }
  return exempted('temperature', 'It cannot be run again today.');
}
