import { inlineSix } from '../../test-support/engines';
import { findingsOf } from '../service/findings';
import { LEVELS } from './exercise';
import { FAULTS_TOLD, faultTask, markFault } from './faultTask';

const six = inlineSix();
const seeds = Array.from({ length: 60 }, (_, seed) => seed);

describe('what is wrong with it', () => {
  it('shows every fault at every level, and each as the page of a machine tells it', () => {
    for (const level of LEVELS) {
      const tasks = seeds.map((seed) => faultTask(six, seed, level));
      expect(new Set(tasks.map(({ fault }) => fault))).toEqual(new Set(FAULTS_TOLD));
      for (const { histories, fault, ids } of tasks) {
        const told = findingsOf(six, histories, 500);
        // A swap also drifts apart from its kind: what comes first is what it is.
        expect(told[0]?.finding ?? 'none').toBe(fault);
        expect(told[0]?.ids ?? []).toEqual(ids);
      }
    }
  });

  it('is a hundred for who goes by the findings', () => {
    for (const level of LEVELS) {
      for (const seed of seeds) {
        const task = faultTask(six, seed, level);
        const [told] = findingsOf(six, task.histories, 500);
        const said = told ? { fault: told.finding, id: told.ids[0] } : { fault: 'none' as const };
        expect(markFault(task, said)).toEqual({ score: 100, mistakes: [] });
      }
    }
  });

  it('gives more for the right cause at the wrong valve than for a wrong cause, and says why', () => {
    const task = seeds
      .map((seed) => faultTask(six, seed, 2))
      .find(({ fault }) => fault === 'locknut');
    if (!task) throw new Error('No locknut among sixty engines.');
    const [right = ''] = task.ids;
    const wrong = right === 'intake.1' ? 'intake.2' : 'intake.1';
    expect(markFault(task, { fault: 'locknut', id: wrong }).score).toBe(60);
    const { score, mistakes } = markFault(task, { fault: 'none' });
    expect(score).toBe(0);
    expect(mistakes).toEqual([{ id: right, says: expect.stringContaining('locknut') }]);
  });

  it('is nothing where the engine cannot show it', () => {
    const heights = six.adjusters.map((entry) => ({ ...entry, measure: 'height' as const }));
    for (const seed of seeds) {
      expect(faultTask({ ...six, adjusters: heights }, seed, 1)).toMatchObject({
        fault: 'none',
        ids: [],
      });
    }
  });
});
