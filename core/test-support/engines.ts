import type { BarringPlan, Refused } from '../src';
import { isRefused } from '../src';
import type { EngineSheet } from '../src';

/** The brine pump's in-line six. */
export function inlineSix(changes: Partial<EngineSheet> = {}): EngineSheet {
  return {
    format: 'longbar.sheet/1',
    name: 'Turnstone 640',
    cycle: 4,
    firing: { order: [1, 5, 3, 6, 2, 4] },
    rotation: { seenFrom: 'front', sense: 'clockwise', reversible: false },
    layout: {
      banks: [
        {
          name: 'A',
          cylinders: [1, 2, 3, 4, 5, 6],
          valves: ['EI', 'IE', 'EI', 'IE', 'EI', 'IE'],
        },
      ],
      numberedFrom: 'front',
    },
    lobes: {
      intake: { opens: 345, closes: 575 },
      exhaust: { opens: 130, closes: 375 },
      assumed: true,
    },
    adjusters: [
      { kind: 'intake', setAt: 'base', spec: { low: 280, target: 330, high: 380 } },
      { kind: 'exhaust', setAt: 'base', spec: { low: 530, target: 580, high: 630 } },
    ],
    marks: [
      { name: 'I', at: 0 },
      { name: 'II', at: 120 },
      { name: 'III', at: 240 },
    ],
    isolations: [
      { id: 'battery', text: 'Battery isolator off and locked', undo: 'Battery isolator on' },
      { id: 'fuel', text: 'Fuel shut', undo: 'Fuel on' },
    ],
    temperature: { state: 'cold', soakMinutes: 240 },
    service: { breakInHours: 60, everyHours: 600, everyMonths: 18 },
    ...changes,
  };
}

/** A plain four-stroke of this order with the typical lobes and no marks. */
export function engine(order: number[], changes: Partial<EngineSheet> = {}): EngineSheet {
  const byNumber = [...order].sort((a, b) => a - b);
  return {
    format: 'longbar.sheet/1',
    name: `Test ${order.length}`,
    cycle: 4,
    firing: { order },
    layout: { banks: [{ cylinders: byNumber, valves: byNumber.map(() => 'EI') }] },
    adjusters: [{ kind: 'intake' }, { kind: 'exhaust' }],
    ...changes,
  };
}

/** The plan of an answer that must not be a refusal. */
export function planned(answer: BarringPlan | Refused): BarringPlan {
  if (isRefused(answer)) throw new Error(answer.says);
  return answer;
}

/** What is set at each stop, as "1in 2ex". */
export function sets(plan: BarringPlan): string[][] {
  return plan.stops.map(({ set }) => set.map(({ id }) => id).sort());
}
