import type { BladeSet, EngineSheet, HoursReading } from '@longbar/core';
import { fromThou } from '@longbar/core';
import dunlin from './sheets/dunlin-4.json';
import godwit from './sheets/godwit-6u.json';
import plover from './sheets/plover-5.json';
import ruff from './sheets/ruff-1.json';
import sanderling from './sheets/sanderling-12.json';
import stint from './sheets/stint-3.json';
import turnstone from './sheets/turnstone-640.json';
import whimbrel from './sheets/whimbrel-8.json';

/**
 * Skerrow Saltworks: an invented works on an invented lagoon. All figures are made up. Days
 * are counted back from the day the demo is loaded, so that it is always of today.
 */
export type DemoMachine = {
  id: string;
  name: string;
  sheet: { id: string; document: EngineSheet };
  /** Hours at each reading, with how many days ago it was taken. */
  readings: { daysAgo: number; hours: number }[];
  /** Signed jobs: when, at what hours, and how far each kind had closed by then, µm. */
  jobs: { daysAgo: number; hours: number; drift: number; by: string }[];
  last: { daysAgo: number; hours: number } | null;
};

const ascending = (from: number, to: number, step: number) =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step);

const hundredths = [...ascending(20, 90, 10), ...ascending(100, 1000, 50)];

export const BLADE_SETS: BladeSet[] = [
  { name: 'mm set', unit: 'mm', blades: hundredths },
  { name: 'inch set', unit: 'inch', blades: ascending(1, 30, 1).map(fromThou) },
  {
    name: 'stepped set',
    unit: 'mm',
    blades: ascending(100, 750, 50).map((go) => ({ go, noGo: go + 50 })),
  },
  { name: 'forked set', unit: 'mm', forked: true, blades: ascending(150, 800, 50) },
];

export const SHOP = {
  name: 'Skerrow Saltworks',
  policy: 'leave-inside' as const,
  round: 'first' as const,
  soon: { hours: 60, days: 30 },
  shims: {
    stock: [
      { size: 2400, count: 2 },
      { size: 2450, count: 1 },
      { size: 2550, count: 3 },
      { size: 2650, count: 1 },
    ],
    buy: { from: 2200, to: 3200, step: 50 },
  },
};

const sheet = (n: number, document: unknown) => ({
  id: `5a1e0000-0000-4000-8000-0000000000a${n}`,
  document: document as EngineSheet,
});

/** The engines of the works whose sheets are kept, in the order they came. */
export const SHEETS = [turnstone, dunlin, godwit, whimbrel, sanderling, ruff, stint, plover].map(
  (document, i) => sheet(i + 1, document),
);

/** A figure so many days ago: the hours the meter showed. */
type Past = [daysAgo: number, hours: number];

const at = ([daysAgo, hours]: Past) => ({ daysAgo, hours });

/** One machine; `last` is the check before it came into the yard. */
function machine(
  n: number,
  name: string,
  of: DemoMachine['sheet'],
  readings: Past[],
  last: Past | null,
  jobs: DemoMachine['jobs'] = [],
): DemoMachine {
  return {
    id: `5a1e0000-0000-4000-8000-00000000000${n}`,
    name,
    sheet: of,
    readings: readings.map(at),
    jobs,
    last: last && at(last),
  };
}

export const MACHINES: DemoMachine[] = [
  machine(
    1,
    'Brine pump 2',
    sheet(1, turnstone),
    [
      [330, 6004],
      [255, 6161],
      [190, 6287],
      [118, 6410],
      [46, 6529],
      [4, 6583],
    ],
    [660, 5410],
    [{ daysAgo: 322, hours: 6021, drift: 45, by: 'Orla' }],
  ),
  machine(
    2,
    'Harvest tractor 1',
    sheet(2, dunlin),
    [
      [300, 2310],
      [210, 2366],
      [120, 2452],
      [20, 2531],
    ],
    [420, 2240],
  ),
  machine(
    3,
    'Standby set',
    sheet(5, sanderling),
    [
      [310, 402],
      [160, 431],
      [12, 466],
    ],
    [640, 340],
  ),
  machine(
    4,
    'Launch',
    sheet(7, stint),
    [
      [280, 1120],
      [190, 1236],
      [95, 1402],
      [9, 1534],
    ],
    [355, 1015],
  ),
  machine(
    5,
    'Welder',
    sheet(6, ruff),
    [
      [140, 18],
      [30, 33],
    ],
    null,
  ),
  machine(
    6,
    'Salt truck 3',
    sheet(3, godwit),
    [
      [350, 6120],
      [220, 6790],
      [100, 7415],
      [6, 7902],
    ],
    [400, 5980],
  ),
  machine(
    7,
    'Barge',
    sheet(4, whimbrel),
    [
      [300, 3010],
      [170, 3160],
      [33, 3322],
    ],
    [322, 2985],
  ),
  machine(
    8,
    'Pan loader',
    sheet(8, plover),
    [
      [320, 2950],
      [180, 3260],
      [15, 3641],
    ],
    [560, 2510],
  ),
];

/** A reading's day, so many days before `now`. */
export function dayBefore(now: Date, daysAgo: number): string {
  return new Date(now.getTime() - daysAgo * 86_400_000).toISOString().slice(0, 10);
}

export function readingsOf(machine: DemoMachine, now: Date): HoursReading[] {
  return machine.readings.map(({ daysAgo, hours }) => ({ date: dayBefore(now, daysAgo), hours }));
}
