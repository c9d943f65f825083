import type { EngineSheet } from '@longbar/core';
import { SeededRandom } from '@longbar/core';

/**
 * Engines made from a seed: 1 to 24 cylinders, lobes about the usual ones, injectors on half
 * of them, every second one with two to six marks.
 */
export function engines(count: number, seed: number): EngineSheet[] {
  const random = new SeededRandom(seed);
  return Array.from({ length: count }, (_, i) => engine(random, random.whole(1, 24), i % 2 === 1));
}

function engine(random: SeededRandom, cylinders: number, marked: boolean): EngineSheet {
  const byNumber = Array.from({ length: cylinders }, (_, i) => i + 1);
  const about = (angle: number) => angle + random.whole(-12, 12);
  const injector = random.next() < 0.5;
  const step = 360 / random.whole(2, 6);
  const marks = Array.from({ length: Math.round(360 / step) }, (_, i) => ({
    name: `M${i + 1}`,
    at: Math.round(i * step),
  }));
  return {
    format: 'longbar.sheet/1',
    name: `Bench ${cylinders}`,
    cycle: 4,
    firing: { order: random.shuffled(byNumber) },
    lobes: {
      intake: { opens: about(345), closes: about(575) },
      exhaust: { opens: about(130), closes: about(375) },
      injector: { opens: about(650), closes: about(1020) },
    },
    adjusters: [
      { kind: 'intake', setAt: 'base' },
      { kind: 'exhaust', setAt: 'base' },
      ...(injector ? [{ kind: 'injector' as const, setAt: 'base' as const }] : []),
    ],
    ...(marked && { marks }),
  };
}

/** A vee engine of `cylinders`, numbered alternating across the banks, without marks. */
export function vee(cylinders: number, marks: EngineSheet['marks'] = []): EngineSheet {
  const order = new SeededRandom(cylinders).shuffled(
    Array.from({ length: cylinders }, (_, i) => i + 1),
  );
  return {
    format: 'longbar.sheet/1',
    name: `Vee ${cylinders}`,
    cycle: 4,
    firing: { order },
    adjusters: [
      { kind: 'intake', perCylinder: 2 },
      { kind: 'exhaust', perCylinder: 2 },
      { kind: 'injector', setAt: 'base' },
    ],
    marks,
  };
}
