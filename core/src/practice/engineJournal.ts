import type { JobAct, JobEvent } from '../job/journal/events';
import { inOrder } from '../job/journal/counting';
import type { FoldedJob } from '../job/journal/fold';
import { foldOn } from '../job/journal/fold';
import { knownTo } from '../job/journal/heard';
import type { JobBegun, JobSetting } from '../job/journal/setting';
import { settingOf } from '../job/journal/setting';
import type { JobState } from '../job/journal/state';
import { dueActs } from '../job/instruction/jobPlan';
import { isolationsOf } from '../job/instruction/gates';
import type { SeededRandom } from '../seededRandom';
import type { Truths, WitnessedEngine } from './witnessed';

/** So long is who is called away, minutes. */
const AWAY_MINUTES = 15;
/** So often the crank is turned meanwhile, by so many degrees. */
const TURNED = { chance: 0.5, from: 20, to: 700 };

/** What is written down of it. */
type Paused = Extract<JobAct, { type: 'work.paused' }>;

/** What an event carries besides its act and its place in the journal. */
type Envelope = () => { id: string; at: string; by: string };

/** The journal of a job at a hidden engine, with what was true as each event was written down. */
export class EngineJournal {
  events: readonly JobEvent[] = [];
  readonly truths: Truths = {};
  private folded: FoldedJob | undefined;

  constructor(
    private readonly begun: JobBegun,
    readonly engine: WitnessedEngine,
  ) {}

  state(): JobState {
    this.folded = foldOn(this.folded, this.events);
    return this.folded.state;
  }

  setting(): JobSetting {
    return settingOf(this.begun, this.state());
  }

  /** The same journal on another phone, that hears nothing from here on. */
  copy(): EngineJournal {
    const other = new EngineJournal(this.begun, this.engine);
    other.events = this.events;
    return other;
  }

  /** Takes in what another phone wrote down meanwhile. */
  hear({ events, truths }: EngineJournal): void {
    Object.assign(this.truths, truths);
    this.events = inOrder([...this.events, ...events]);
  }

  /** Writes an act down, and what follows from it by itself. */
  tell(act: JobAct, envelope: Envelope): void {
    this.append(act, envelope);
    for (const due of dueActs(this.setting(), this.state())) this.append(due, envelope);
  }

  /** Writes one act down alone. */
  append(act: JobAct, envelope: Envelope): void {
    const n = this.events.length + 1;
    const event = {
      ...act,
      ...knownTo(this.state(), act),
      job: this.begun.head.id,
      n,
      ...envelope(),
    };
    this.truths[event.id] = this.engine.truthOf(act);
    this.events = [...this.events, event];
  }

  /**
   * Whoever works is called away. A stranger may turn the crank, once the engine cannot start.
   * Answers how far, and what is written down of it.
   */
  calledAway(random: SeededRandom): { turned: number; act: Paused } {
    const { isolations } = this.state();
    const isolated = isolationsOf(this.begun.sheet).every(({ id }) => isolations[id]);
    const turns = isolated && random.next() < TURNED.chance;
    const turned = turns ? random.whole(TURNED.from, TURNED.to) : 0;
    if (turned > 0) this.engine.disturb(turned);
    return { turned, act: { type: 'work.paused', minutes: AWAY_MINUTES } };
  }
}
