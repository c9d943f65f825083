import type { Faults, JobOutcome, Level, WholeTask } from '..';
import { isRefused, LEVELS, markJob, practiceSheet, quickSheet, simulateJob, wholeTask } from '..';
import { inlineSix } from '../../test-support/engines';
import { simulatedEngine } from '../../test-support/simulatedEngines';
import { times } from '../../test-support/times';

const ORDERS = [
  [1, 3, 4, 2],
  [1, 5, 3, 6, 2, 4],
  [1, 8, 4, 3, 6, 5, 7, 2],
];

function taskOn(order: number[], seed: number, level: Level): WholeTask {
  const task = wholeTask(practiceSheet(quickSheet(order, 'in-line')), seed, level);
  if ('refused' in task) throw new Error(task.says);
  return task;
}

function play(task: WholeTask, more: Faults = {}): JobOutcome {
  const { sheet, method, crank, seed, faults } = task;
  const job = { method, policy: 'leave-inside', start: crank, seed } as const;
  const outcome = simulateJob(sheet, { ...job, faults: { ...faults, ...more } });
  if (isRefused(outcome)) throw new Error(outcome.says);
  return outcome;
}

const marked = (task: WholeTask, outcome: JobOutcome) =>
  markJob(task.sheet, { ...outcome, best: task.best });

describe('a whole job to practise', () => {
  it.each(ORDERS)('on %s %s %s … ends at a hundred for who does all as told', (...order) => {
    for (const level of LEVELS) {
      for (let seed = 0; seed < 4; seed++) {
        const task = taskOn(order, seed, level);
        const outcome = play(task);
        expect(outcome.outcome).toBe('signed');
        expect(marked(task, outcome)).toEqual({ score: 100, mistakes: [] });
      }
    }
  });

  it('ends so on engines of every kind, with shims and without, where it is hardest', () => {
    for (let seed = 0; seed < times(12, 100); seed++) {
      const task = wholeTask(practiceSheet(simulatedEngine(seed)), 5, 3);
      if ('refused' in task) continue;
      expect({ seed, ...marked(task, play(task)) }).toEqual({ seed, score: 100, mistakes: [] });
    }
  });

  it('has marks that are wrong at level 3 only, and its best job leaves them out', () => {
    const [easy, hard] = [taskOn([1, 5, 3, 6, 2, 4], 5, 2), taskOn([1, 5, 3, 6, 2, 4], 5, 3)];
    expect(easy.faults.slippedRim).toBeUndefined();
    expect(hard.faults.slippedRim).toBeGreaterThan(0);
    expect(play(hard).events.some(({ type }) => type === 'marks.doubted')).toBe(true);
    // An engine that shows no marks has none that could be wrong.
    const bare = wholeTask(inlineSix({ marks: [] }), 5, 3);
    expect('faults' in bare && bare.faults.slippedRim).toBeUndefined();
  });

  it('tells who says how rockers feel without wiggling them, each by its name', () => {
    const task = taskOn([1, 5, 3, 6, 2, 4], 3, 1);
    const { score, mistakes } = marked(task, play(task, { careless: 'feels-nothing' }));
    expect(mistakes.length).toBeGreaterThan(3);
    expect(mistakes.some(({ says }) => /had not wiggled it/.test(says))).toBe(true);
    expect(score).toBeLessThan(70);
  });

  it('tells who says that nobody had turned it, and by how much somebody had', () => {
    const told = Array.from({ length: 12 }, (_, seed) => {
      const task = taskOn([1, 3, 4, 2], seed, 2);
      return marked(task, play(task, { careless: 'nobody-turned', interrupted: 0.08 })).mistakes;
    }).flat();
    expect(told.some(({ says }) => /Somebody had, by \d+°/.test(says))).toBe(true);
    expect(told.some(({ says }) => /stood on its lobe/.test(says))).toBe(true);
  });

  it('counts what was taken back no more', () => {
    const task = taskOn([1, 3, 4, 2], 1, 1);
    const outcome = play(task, { careless: 'feels-nothing' });
    const wrong = outcome.events.findLast(
      ({ id, type }) => type === 'crank.observed' && !outcome.truths[id]?.felt,
    );
    const without = outcome.events.filter(({ id }) => id !== wrong?.id);
    const events = [
      ...outcome.events,
      {
        id: 'ffffffff-0000-4000-9000-000000000001',
        job: wrong?.job ?? '',
        n: outcome.events.length + 1,
        at: '2026-05-02T12:00:00.000Z',
        by: 'Ina',
        type: 'event.undone' as const,
        target: wrong?.id ?? '',
      },
    ];
    expect(wrong).toBeDefined();
    expect(marked(task, { ...outcome, events })).toEqual(
      marked(task, { ...outcome, events: without }),
    );
    expect(marked(task, { ...outcome, events: [] }).mistakes).toEqual([]);
  });
});

describe('a rim that slipped on its hub', () => {
  it('is told by the rockers of a straight six before anything is set off its place', () => {
    const sheet = taskOn([1, 5, 3, 6, 2, 4], 0, 1).sheet;
    for (const slippedRim of [120, 180, 240]) {
      for (let seed = 0; seed < times(5, 30); seed++) {
        const task = { sheet, method: 'each', seed, crank: (seed * 97) % 720, best: 0 } as const;
        const outcome = play({ ...task, faults: {} }, { slippedRim });
        expect(outcome.events.some(({ type }) => type === 'marks.doubted')).toBe(true);
        const { mistakes } = markJob(sheet, { ...outcome, best: outcome.turned });
        expect({ slippedRim, seed, mistakes }).toEqual({ slippedRim, seed, mistakes: [] });
      }
    }
  });
});
