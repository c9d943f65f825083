import { inlineSix } from '../../test-support/engines';
import { brokenLaws } from '../../test-support/lawOfJobs';
import type { Faults, JobOutcome, SimulatedJob } from '../index';
import { foldJob, hiddenEngine, isKnown, isRefused, simulateJob } from '../index';

const six = inlineSix();
const usual: SimulatedJob = {
  method: 'two-position',
  policy: 'leave-inside',
  start: 137,
  seed: 11,
  faults: {},
};

function simulated(changes: Partial<SimulatedJob> = {}, sheet = six): JobOutcome {
  const job = { ...usual, ...changes };
  const outcome = simulateJob(sheet, job);
  if (isRefused(outcome)) throw new Error(outcome.says);
  expect(brokenLaws(sheet, job.start, outcome).broken).toEqual([]);
  return outcome;
}

describe('the hidden engine', () => {
  const engine = (faults: Faults, crank = 0) => hiddenEngine(six, { seed: 3, crank, faults });

  it('feels as it stands, and near a lobe’s edge either way', () => {
    const at = engine({});
    expect(at.feel('intake.1')).toBe('loose');
    expect(at.feel('intake.6')).toBe('firm');
    at.bar(720 + 360);
    expect(at.crank()).toBe(360);
    expect(at.feel('intake.1')).toBe('firm');
    const edge = new Set(Array.from({ length: 40 }, () => engine({}, 345).feel('intake.1')));
    const feels = engine({}, 345);
    for (let i = 0; i < 40; i++) edge.add(feels.feel('intake.1'));
    expect([...edge].sort()).toEqual(['firm', 'loose']);
  });

  it('lies where it is at fault: a tight rocker is firm, a slack one loose on its lobe’s flank', () => {
    expect(engine({ tight: ['intake.1'] }).feel('intake.1')).toBe('firm');
    expect(engine({ slack: ['intake.1'] }, 370).feel('intake.1')).toBe('loose');
    expect(engine({ slack: ['intake.1'] }, 460).feel('intake.1')).toBe('firm');
  });

  it('shows a mark on either turn, a peak only on its own', () => {
    const at = engine({}, 100);
    const way = at.wayTo({ id: 'intake.1', state: 'peak' }, 1) as number;
    at.bar(way);
    expect(at.sees({ id: 'intake.1', state: 'peak' })).toBe(true);
    at.bar(360);
    expect(at.sees({ id: 'intake.1', state: 'peak' })).toBe(false);
    at.bar(720 - at.crank());
    expect(at.sees({ mark: 'I', state: 'at' })).toBe(true);
    at.bar(360);
    expect(at.sees({ mark: 'I', state: 'at' })).toBe(true);
  });

  it('closes a gap by what locking shifts, and swaps what was swapped', () => {
    const middle = ({ go, noGo }: { go: number; noGo: number | null }) => (go + (noGo ?? go)) / 2;
    const shifting = engine({ lockShift: 40 });
    shifting.set('intake.1', 330);
    expect(Math.abs(middle(shifting.measure('intake.1', 5)) - 290)).toBeLessThan(7);
    const plain = engine({});
    const swapped = engine({ swapped: [1] });
    expect(
      Math.abs(middle(swapped.measure('exhaust.1', 5)) - middle(plain.measure('intake.1', 5))),
    ).toBeLessThan(12);
  });
});

describe('a simulated job', () => {
  it('is the same from the same seed, and another from another', () => {
    expect(simulated()).toEqual(simulated());
    expect(simulated({ seed: 12 }).log).not.toEqual(simulated().log);
  });

  it('ends signed with every adjuster finished and read again as the rule asks', () => {
    const { events, outcome, log } = simulated({ round: 'all' });
    expect(outcome).toBe('signed');
    const { adjusters } = foldJob(events);
    expect(Object.values(adjusters).filter(({ painted, again }) => painted && again)).toHaveLength(
      12,
    );
    expect(new Set(log.flatMap((entry) => ('mark' in entry ? [entry.mark] : []))).size).toBe(12);
  });

  it('names the tight valve as the odd one, sets it, and is not held up by it', () => {
    const { events } = simulated({ faults: { tight: ['exhaust.4'] } });
    expect(foldJob(events).adjusters['exhaust.4']).toMatchObject({ painted: true });
    expect(
      events.some(
        (event) =>
          isKnown(event) && event.type === 'adjuster.locked' && event.adjuster === 'exhaust.4',
      ),
    ).toBe(true);
  });

  it('finds the place anew after a pause, for nobody says that it was not turned', () => {
    const { events } = simulated({ faults: { interrupted: 0.2 }, seed: 5 });
    const pauses = events.filter(({ type }) => type === 'work.paused').length;
    expect(pauses).toBeGreaterThan(5);
    expect(events.some(({ type }) => type === 'crank.held')).toBe(false);
  });

  it('is worked by two phones whose clocks disagree, each person clear at the end', () => {
    const { events } = simulated({ phones: 2 });
    expect(new Set(events.map(({ by }) => by)).size).toBe(2);
    const clear = events.flatMap((event) =>
      isKnown(event) && event.type === 'clear.said' ? [event.person] : [],
    );
    expect(clear.sort()).toEqual(['Ina', 'Orla']);
  });

  it('leaves what the manual’s chart places on its lobe to the stop of its largest margin', () => {
    const chart = [
      { mark: 'I', turn: 1 as const, set: ['intake.1', 'exhaust.1', 'intake.6', 'exhaust.6'] },
      { mark: 'I', turn: 2 as const, set: [] },
    ];
    expect(simulated({ method: 'manual' }, inlineSix({ chart })).outcome).toBe('signed');
  });

  it('names as unset what has no figure or no place, and is signed as incomplete', () => {
    const { adjusters } = six;
    const blank = inlineSix({ adjusters: [...adjusters, { kind: 'injector' }] });
    const { outcome, events } = simulated({}, blank);
    expect(outcome).toBe('incomplete');
    const unset = events.filter(({ type }) => type === 'adjuster.unset');
    expect(unset).toHaveLength(6);
  });

  it('is refused where the method is', () => {
    expect(simulateJob(six, { ...usual, method: 'manual' })).toHaveProperty('refused', 'no-chart');
  });
});
