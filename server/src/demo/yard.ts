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
];

export const SHOP = {
  id: 'skerrow',
  name: 'Skerrow Saltworks',
  policy: 'leave-inside' as const,
  round: 'first' as const,
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

export const MACHINES: DemoMachine[] = [
  {
    id: '5a1e0000-0000-4000-8000-000000000001',
    name: 'Brine pump 2',
    sheet: sheet(1, turnstone),
    readings: [
      { daysAgo: 330, hours: 6004 },
      { daysAgo: 255, hours: 6161 },
      { daysAgo: 190, hours: 6287 },
      { daysAgo: 118, hours: 6410 },
      { daysAgo: 46, hours: 6529 },
      { daysAgo: 4, hours: 6583 },
    ],
    jobs: [{ daysAgo: 322, hours: 6021, drift: 45, by: 'Orla' }],
    last: { daysAgo: 660, hours: 5410 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000002',
    name: 'Harvest tractor 1',
    sheet: sheet(2, dunlin),
    readings: [
      { daysAgo: 300, hours: 2310 },
      { daysAgo: 210, hours: 2366 },
      { daysAgo: 120, hours: 2452 },
      { daysAgo: 20, hours: 2531 },
    ],
    jobs: [],
    last: { daysAgo: 420, hours: 2240 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000003',
    name: 'Standby set',
    sheet: sheet(5, sanderling),
    readings: [
      { daysAgo: 310, hours: 402 },
      { daysAgo: 160, hours: 431 },
      { daysAgo: 12, hours: 466 },
    ],
    jobs: [],
    last: { daysAgo: 640, hours: 340 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000004',
    name: 'Launch',
    sheet: sheet(7, stint),
    readings: [
      { daysAgo: 280, hours: 1120 },
      { daysAgo: 190, hours: 1236 },
      { daysAgo: 95, hours: 1402 },
      { daysAgo: 9, hours: 1534 },
    ],
    jobs: [],
    last: { daysAgo: 355, hours: 1015 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000005',
    name: 'Welder',
    sheet: sheet(6, ruff),
    readings: [
      { daysAgo: 140, hours: 18 },
      { daysAgo: 30, hours: 33 },
    ],
    jobs: [],
    last: null,
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000006',
    name: 'Salt truck 3',
    sheet: sheet(3, godwit),
    readings: [
      { daysAgo: 350, hours: 6120 },
      { daysAgo: 220, hours: 6790 },
      { daysAgo: 100, hours: 7415 },
      { daysAgo: 6, hours: 7902 },
    ],
    jobs: [],
    last: { daysAgo: 400, hours: 5980 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000007',
    name: 'Barge',
    sheet: sheet(4, whimbrel),
    readings: [
      { daysAgo: 300, hours: 3010 },
      { daysAgo: 170, hours: 3160 },
      { daysAgo: 33, hours: 3322 },
    ],
    jobs: [],
    last: { daysAgo: 322, hours: 2985 },
  },
  {
    id: '5a1e0000-0000-4000-8000-000000000008',
    name: 'Pan loader',
    sheet: sheet(8, plover),
    readings: [
      { daysAgo: 320, hours: 2950 },
      { daysAgo: 180, hours: 3260 },
      { daysAgo: 15, hours: 3641 },
    ],
    jobs: [],
    last: { daysAgo: 560, hours: 2510 },
  },
];

/** A reading's day, so many days before `now`. */
export function dayBefore(now: Date, daysAgo: number): string {
  return new Date(now.getTime() - daysAgo * 86_400_000).toISOString().slice(0, 10);
}

export function readingsOf(machine: DemoMachine, now: Date): HoursReading[] {
  return machine.readings.map(({ daysAgo, hours }) => ({ date: dayBefore(now, daysAgo), hours }));
}
