import { assert, integer, property } from 'fast-check';
import type { AdjusterState, JobAct, JobEvent, Reading } from '../..';
import {
  foldJob,
  foldOn,
  isBegun,
  itemAt,
  knownTo,
  recordOf,
  recordPage,
  SeededRandom,
} from '../..';
import { adjusterInstruction } from '../instruction/adjusterInstruction';
import { JOB, setting, uuid } from '../../../test-support/journal';
import { times } from '../../../test-support/times';

const ID = 'intake.1';
const TARGET = 330;
const exactly = (gap: number): Reading => ({ go: gap, noGo: gap + 10, how: 'go-no-go' });

/** One phone of the shed: what it has heard, and who holds it. */
type Phone = { by: string; heard: JobEvent[] };

/** One engine's intake, its nut, and two phones that hear of each other now and then. */
class Shed {
  readonly all: JobEvent[] = [];
  gap = 250;
  loose = false;
  /** Whose hands have changed it since somebody read it who had heard of all. */
  private minutes = 0;
  readonly phones: Phone[] = [
    { by: 'Ina', heard: [] },
    { by: 'Orla', heard: [] },
  ];
  /** What was read as found before anybody changed anything. */
  before: number | undefined;
  changed = false;

  state(phone: Phone): AdjusterState {
    return foldJob(phone.heard).adjusters[ID] ?? {};
  }

  /** Everyone hears of everything. */
  meet(): void {
    for (const phone of this.phones) phone.heard = [...this.all];
  }

  tell(phone: Phone, act: JobAct): void {
    const state = foldJob(phone.heard);
    const at = new Date(Date.UTC(2026, 4, 2, 8, this.minutes++)).toISOString();
    const n = state.lastN + 1;
    const id = uuid(1000 + this.all.length);
    const event = { ...act, ...knownTo(state, act), id, job: JOB, n, at, by: phone.by };
    this.all.push(event);
    phone.heard = [...phone.heard, event];
  }

  /** Does what the phone asks for at the adjuster; answers whether it asked for anything. */
  obey(phone: Phone): boolean {
    const asked = adjusterInstruction(setting, foldJob(phone.heard), ID);
    switch (asked?.do) {
      case 'read':
      case 'settle': {
        if (asked.phase === 'found' && !this.changed) this.before ??= this.gap;
        this.tell(phone, this.read(asked.phase));
        return true;
      }
      case 'answer': {
        if (asked.ask !== 'question') return false;
        const { key: question, says } = asked.question;
        this.tell(phone, { type: 'question.answered', question, answer: 'It is so.', says });
        return true;
      }
      case 'decide':
        this.tell(phone, { type: 'adjuster.kept', adjuster: ID });
        return true;
      case 'adjust':
        this.loose = true;
        this.changed = true;
        this.gap = TARGET;
        this.tell(phone, this.read('set'));
        return true;
      case 'lock':
        this.loose = false;
        this.changed = true;
        this.gap = TARGET;
        this.tell(phone, { type: 'adjuster.locked', adjuster: ID, how: 'feel' });
        return true;
      case 'mark':
        this.tell(phone, { type: 'adjuster.painted', adjuster: ID });
        return true;
      default:
        return false;
    }
  }

  /** Reads once more what it takes to be as it was found. */
  readAgain(phone: Phone): void {
    const { found, set, locked, kept } = this.state(phone);
    if (found && !set && !locked && !kept) this.tell(phone, this.read('found'));
  }

  private read(phase: 'found' | 'set' | 'left' | 'again'): JobAct {
    return { type: 'reading.taken', adjuster: ID, phase, reading: exactly(this.gap) };
  }
}

/** Two people work at the same adjuster, each by what their own phone knows. */
function apart(seed: number): Shed {
  const chance = new SeededRandom(seed);
  const shed = new Shed();
  const together = chance.next();
  for (let step = 0; step < 24; step++) {
    const phone = chance.one(shed.phones);
    const { heard } = phone;
    const own = heard.findLast(({ by }) => by === phone.by);
    if (own && chance.next() < 0.1) {
      if (own.type === 'reading.taken' && !shed.changed)
        shed.tell(phone, { type: 'event.undone', target: own.id });
    } else if (own && chance.next() < 0.15) shed.readAgain(phone);
    else shed.obey(phone);
    if (chance.next() < 0.3 * together) shed.meet();
  }
  shed.meet();
  return shed;
}

describe('two phones at one adjuster', () => {
  it('never take a loose nut for finished, nor what one set for what the other found', () => {
    let both = 0;
    assert(
      property(integer({ min: 1, max: 1_000_000 }), (seed) => {
        const shed = apart(seed);
        const state = shed.state(itemAt(shed.phones, 0));
        if (state.apart) both++;
        if (shed.loose) expect([seed, isBegun(state)]).toEqual([seed, true]);
        if (state.painted) expect([seed, shed.loose]).toEqual([seed, false]);
        if (state.found && shed.before !== undefined)
          expect([seed, state.found.go]).toEqual([seed, shed.before]);
        // Whoever has heard of all brings it to an end.
        for (let acts = 0; shed.obey(itemAt(shed.phones, 0)); acts++) expect(acts).toBeLessThan(20);
        const ended = shed.state(itemAt(shed.phones, 0));
        expect([seed, ended.painted, ended.apart, shed.loose]).toEqual([
          ...[seed, true, undefined, false],
        ]);
        const [standing] = [ended.again ?? ended.left ?? ended.found];
        expect([seed, standing?.go]).toEqual([seed, shed.gap]);
      }),
      { numRuns: times(400, 5000) },
    );
    expect(both).toBeGreaterThan(times(20, 250));
  });

  it('is folded on as it is folded at once', () => {
    const { all } = apart(7);
    const inOrder = [...all].sort((a, b) => a.n - b.n || (a.id < b.id ? -1 : 1));
    let job = foldOn(undefined, []);
    for (let count = 1; count <= inOrder.length; count++)
      job = foldOn(job, inOrder.slice(0, count));
    expect(job.state).toEqual(foldJob(all));
  });
});

describe('what was done apart', () => {
  const set = (shed: Shed, phone: Phone) => {
    for (let acts = 0; acts < 6; acts++) shed.obey(phone);
  };

  it('is told in the record: both readings as found, and that nobody knows how it stands', () => {
    const shed = new Shed();
    const [ina, orla] = [itemAt(shed.phones, 0), itemAt(shed.phones, 1)];
    set(shed, ina);
    shed.obey(orla);
    shed.meet();
    const { found, foundToo, left, painted } = shed.state(orla);
    expect([found?.go, foundToo?.go, left?.go, painted]).toEqual([250, 330, 330, true]);
    expect(JSON.stringify(recordPage(recordOf(setting, shed.all)))).toMatch(
      /read as found once more, on a phone that had not heard of it: 0\.33.*mm by Orla/,
    );
  });

  it('is locked and read once more where both changed it', () => {
    const shed = new Shed();
    const [ina, orla] = [itemAt(shed.phones, 0), itemAt(shed.phones, 1)];
    shed.obey(orla);
    set(shed, ina);
    set(shed, orla);
    shed.meet();
    expect(shed.state(ina)).toMatchObject({ apart: true });
    expect(adjusterInstruction(setting, foldJob(shed.all), ID)).toMatchObject({
      ...{ do: 'lock', apart: true },
    });
    set(shed, ina);
    expect(shed.state(ina).apart).toBeUndefined();
    expect(shed.state(ina)).toMatchObject({ painted: true, found: { go: 250 } });
  });
});
