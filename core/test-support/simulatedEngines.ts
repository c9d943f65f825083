import type { EngineSheet } from '../src';
import { adjustersOf, SeededRandom } from '../src';

/**
 * Engines of many layouts from a seed: 1 to 12 cylinders, in line and vee, even and uneven gaps,
 * two-stroke, with and without marks, several adjusters of a kind, injectors that follow, brakes
 * at full lift, bridges, and shims; some with data tags, fasteners to run down and a manual's chart.
 */
export function simulatedEngine(seed: number): EngineSheet {
  const sheet = engineFrom(seed);
  const random = new SeededRandom(seed * 11 + 5);
  const more = new SeededRandom(seed * 13 + 2);
  return {
    ...sheet,
    ...(random.next() < 0.3 && { variants: tagsFor(sheet, random) }),
    ...(more.next() < 0.2 && { torques: [runDown('first'), runDown('close')] }),
    ...(more.next() < 0.4 && { chart: chartOf(sheet, more) }),
  };
}

/** Two fasteners that are run down in two stages. */
function runDown(when: 'first' | 'close') {
  const fasteners = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
  ];
  return {
    id: when,
    name: when,
    when,
    torque: 20,
    fasteners,
    stages: [{ percent: 50 }, { percent: 100 }],
  };
}

/**
 * A manual's chart that has each cylinder where it fires, whatever is off its condition there; at
 * some it has one adjuster where another cylinder fires.
 */
function chartOf(sheet: EngineSheet, random: SeededRandom): EngineSheet['chart'] {
  const { order } = sheet.firing;
  const astray = random.next() < 0.5 ? random.one(adjustersOf(sheet)).id : undefined;
  const elsewhere = random.one(order);
  return order.map((cylinder) => ({
    cylinder,
    at: 'firing' as const,
    set: adjustersOf(sheet)
      .filter(({ id, ...own }) => cylinder === (id === astray ? elsewhere : own.cylinder))
      .map(({ id }) => id),
  }));
}

/** Data tags of which one changes nothing, and the others some kinds by a little or by much. */
function tagsFor(sheet: EngineSheet, random: SeededRandom): EngineSheet['variants'] {
  const moved = () =>
    sheet.adjusters.flatMap(({ kind, spec }) => {
      if (!spec || random.next() < 0.3) return [];
      const by = random.whole(-150, 150);
      const { low, target, high } = spec;
      return [{ kind, spec: { low: low + by, target: target + by, high: high + by } }];
    });
  return [{ tag: 'A1' }, { tag: 'B7', adjusters: moved() }, { tag: 'C3', adjusters: moved() }];
}

function engineFrom(seed: number): EngineSheet {
  const random = new SeededRandom(seed);
  const chance = (share: number) => random.next() < share;
  const cylinders = random.whole(1, 12);
  const cycle = chance(0.12) ? 2 : 4;
  const byNumber = Array.from({ length: cylinders }, (_, i) => i + 1);
  const order = random.shuffled(byNumber);
  const about = (angle: number) => angle + random.whole(-12, 12);
  const vee = cylinders % 2 === 0 && cylinders > 3 && chance(0.4);
  const half = cylinders / 2;
  const banks = vee
    ? [{ cylinders: byNumber.slice(0, half) }, { cylinders: byNumber.slice(half) }]
    : [{ cylinders: byNumber }];
  const shims = chance(0.2);
  const spec = (target: number) => ({ low: target - 50, target, high: target + 50 });
  const screw = shims ? { method: 'shim' } : { method: 'screw', locknut: { torque: 40 } };
  const perCylinder = chance(0.2) ? { perCylinder: 2 } : {};
  const valves = [
    ...(chance(0.2) && cycle === 4
      ? [{ kind: 'bridge' as const, lobe: 'intake' as const, setAt: 'base' as const }]
      : []),
    ...(cycle === 4
      ? [{ kind: 'intake' as const, spec: spec(300), ...screw, ...perCylinder }]
      : []),
    { kind: 'exhaust' as const, spec: spec(500), ...screw, ...perCylinder },
  ];
  const injectors =
    cycle === 4 && chance(0.4)
      ? [
          {
            kind: 'injector' as const,
            setAt: chance(0.5) ? ('base' as const) : { window: [20, 110] as [number, number] },
            ...(chance(0.4) && cylinders > 1 && { follows: random.whole(1, 2) }),
            ...(chance(0.4) && { after: ['intake' as const, 'exhaust' as const] }),
            measure: 'height' as const,
            method: 'screw',
            spec: { low: 62_000, target: 62_200, high: 62_400 },
          },
        ]
      : [];
  const brakes =
    cycle === 4 && chance(0.3)
      ? [
          {
            kind: 'brake' as const,
            setAt: { peak: 'intake' as const, within: 10 },
            spec: spec(900),
            method: 'screw',
          },
        ]
      : [];
  return {
    format: 'longbar.sheet/1',
    name: `Simulated ${cylinders}`,
    cycle,
    firing: {
      order,
      ...(chance(0.25) && cylinders > 1 && { gaps: unevenGaps(cylinders, cycle * 180, random) }),
    },
    ...(chance(0.7) && {
      rotation: { seenFrom: 'front', sense: 'clockwise', reversible: chance(0.5) },
    }),
    layout: { banks },
    lobes:
      cycle === 4
        ? {
            intake: { opens: about(345), closes: about(575) },
            exhaust: { opens: about(130), closes: about(375) },
            injector: { opens: about(650), closes: about(1020) },
          }
        : { exhaust: { opens: about(95), closes: about(265) } },
    adjusters: [...valves, ...injectors, ...brakes],
    ...(chance(0.6) && { marks: marksOf(cylinders, random) }),
    ...(chance(0.3) && {
      temperature: chance(0.5)
        ? { state: 'cold', soakMinutes: 240 }
        : { state: 'hot', soakMinutes: 30, windowMinutes: 40 },
    }),
  };
}

function unevenGaps(cylinders: number, cycle: number, random: SeededRandom): number[] {
  const even = cycle / cylinders;
  const gaps = Array.from({ length: cylinders }, (_, i) =>
    Math.round(even + (i % 2 === 0 ? 1 : -1) * random.whole(0, 20)),
  );
  gaps[cylinders - 1] = cycle - gaps.slice(0, -1).reduce((a, b) => a + b, 0);
  return gaps;
}

function marksOf(cylinders: number, random: SeededRandom): { name: string; at: number }[] {
  const count = random.whole(1, Math.max(1, Math.min(4, cylinders)));
  return Array.from({ length: count }, (_, i) => ({
    name: `M${i + 1}`,
    at: Math.round((360 * i) / count),
  }));
}
