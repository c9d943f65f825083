import type { BladeSet, EngineSheet, HoursReading } from '@longbar/core';
import { fromThou, isRefused, itemAt, localDay, parseSheet, sheetForTag } from '@longbar/core';
import type { Wear, Worn } from './wear';
import { wornOver } from './wear';
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
  place: string;
  sheet: { id: string; document: EngineSheet };
  /** Hours at each reading, with how many days ago it was taken. */
  readings: { daysAgo: number; hours: number }[];
  /** Signed jobs: when, at what hours, and how far each gap had come by then. */
  jobs: {
    daysAgo: number;
    hours: number;
    worn: Worn;
    by: string;
    note?: string | undefined;
    /** What was heard, where it was opened for that: it is recorded before and after. */
    symptom?: string | undefined;
  }[];
  last: { daysAgo: number; hours: number } | null;
  /** How many days ago it went into service, where that is known. */
  inServiceDaysAgo: number | undefined;
  /** The data tag it carries, where its sheet knows several. */
  tag: string | undefined;
  /** Its number, by which telematics knows it. */
  serial: string | undefined;
  /** Meters that were replaced, and what is added since. */
  meter: { daysAgo: number; offset: number }[];
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
  aim: 'offered' as const,
  weekHours: 6,
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

function sheet(n: number, document: unknown): { id: string; document: EngineSheet } {
  const parsed = parseSheet(document);
  if (isRefused(parsed)) throw new Error(`Demo sheet ${n}: ${JSON.stringify(parsed.issues)}`);
  return { id: `5a1e0000-0000-4000-8000-0000000000a${n}`, document: parsed.sheet };
}

/** The engines of the works whose sheets are kept, in the order they came. */
export const SHEETS = [turnstone, dunlin, godwit, whimbrel, sanderling, ruff, stint, plover].map(
  (document, i) => sheet(i + 1, document),
);

/** A figure so many days ago: the hours the meter showed. */
type Past = [daysAgo: number, hours: number];

const at = ([daysAgo, hours]: Past) => ({ daysAgo, hours });

type Parts = {
  /** Where it stands. */
  place: string;
  readings: Past[];
  /** The check before it came into the yard; none where it is new. */
  last?: Past;
  inServiceDaysAgo?: number;
  /** The checks on record, the oldest first, and how the engine wore between them. */
  checks?: Past[];
  wear?: Wear;
  notes?: Record<number, string>;
  symptoms?: Record<number, string>;
  meter?: { daysAgo: number; offset: number }[];
  tag?: string;
  serial?: string;
};

const PEOPLE = ['Orla', 'Ina', 'Tam'];

/** One machine with its past. */
function machine(n: number, name: string, of: DemoMachine['sheet'], parts: Parts): DemoMachine {
  const {
    place,
    readings,
    last,
    inServiceDaysAgo,
    checks = [],
    wear,
    notes = {},
    symptoms = {},
    meter = [],
    tag,
    serial,
  } = parts;
  const hours = checks.map(([, shown]) => shown);
  const worn = wear ? wornOver(sheetForTag(of.document, tag), hours, wear, n) : [];
  return {
    id: `5a1e0000-0000-4000-8000-00000000000${n}`,
    name,
    place,
    sheet: of,
    readings: readings.map(at),
    jobs: worn.map((each, i) => ({
      ...at(itemAt(checks, i)),
      worn: each,
      by: itemAt(PEOPLE, (n + i) % PEOPLE.length),
      note: notes[i],
      symptom: symptoms[i],
    })),
    last: last ? at(last) : null,
    inServiceDaysAgo,
    meter,
    tag,
    serial,
  };
}

/** The eight machines and four years of their past, each with its story. */
export const MACHINES: DemoMachine[] = [
  // Ordinary wear, and a check that is soon due.
  machine(1, 'Brine pump 2', sheet(1, turnstone), {
    place: 'Pump house',
    readings: [
      [330, 6004],
      [255, 6161],
      [190, 6287],
      [118, 6410],
      [46, 6529],
      [4, 6583],
    ],
    last: [1420, 3330],
    checks: [
      [1410, 3340],
      [1050, 4190],
      [690, 5080],
      [322, 6021],
    ],
    wear: { rates: { intake: -14, exhaust: -28 } },
    notes: { 2: 'The rear cover bolt is longer than the others' },
  }),
  // A locknut that slipped, and was heard.
  machine(2, 'Harvest tractor 1', sheet(2, dunlin), {
    place: 'East pans',
    readings: [
      [300, 2310],
      [210, 2366],
      [120, 2452],
      [20, 2531],
    ],
    last: [1440, 960],
    checks: [
      [1430, 970],
      [1090, 1390],
      [760, 1820],
      [420, 2240],
    ],
    wear: {
      rates: { intake: -18, exhaust: -26 },
      mishaps: [{ check: 3, adjuster: 'intake.3', adds: 330 }],
    },
    symptoms: { 3: 'Ticks at idle, warm or cold' },
  }),
  // Seldom run: too few readings to tell its use, so it is due by months.
  machine(3, 'Standby set', sheet(5, sanderling), {
    place: 'Boiler house',
    readings: [
      [480, 402],
      [160, 431],
      [12, 466],
    ],
    last: [640, 340],
  }),
  // Overdue by months.
  machine(4, 'Launch', sheet(7, stint), {
    place: 'Slip',
    serial: 'SK-1207',
    readings: [
      [280, 1120],
      [190, 1236],
      [95, 1302],
      [9, 1364],
    ],
    last: [1430, 40],
    checks: [
      [1425, 42],
      [1080, 330],
      [740, 660],
      [398, 1015],
    ],
    wear: { rates: { intake: -20, exhaust: -32 } },
  }),
  // New, at its break-in.
  machine(5, 'Welder', sheet(6, ruff), {
    place: 'Workshop',
    readings: [
      [140, 18],
      [30, 33],
    ],
    inServiceDaysAgo: 150,
  }),
  // One exhaust valve whose seat recedes.
  machine(6, 'Salt truck 3', sheet(3, godwit), {
    place: 'Loading yard',
    serial: 'SK-0303',
    tag: 'U6-B',
    readings: [
      [350, 6120],
      [220, 6790],
      [100, 7415],
      [6, 7902],
    ],
    last: [1440, 640],
    checks: [
      [1420, 700],
      [1080, 2420],
      [740, 4180],
      [400, 5980],
    ],
    wear: { rates: { intake: -6, exhaust: -9, brake: -3 }, own: { 'exhaust.4': -70 } },
  }),
  // Intake and exhaust of one cylinder set with each other's blade, found at the next check.
  machine(7, 'Barge', sheet(4, whimbrel), {
    place: 'Quay',
    serial: 'SK-0707',
    readings: [
      [300, 3010],
      [170, 3180],
      [6, 3372],
    ],
    last: [1410, 1860],
    checks: [
      [1400, 1880],
      [1050, 2230],
      [690, 2610],
      [322, 2985],
    ],
    wear: {
      rates: { intake: -16, exhaust: -57 },
      mishaps: [
        { check: 3, adjuster: 'intake.5', adds: 200 },
        { check: 3, adjuster: 'exhaust.5', adds: -200 },
      ],
    },
  }),
  // Its meter was replaced.
  machine(8, 'Pan loader', sheet(8, plover), {
    place: 'Salt store',
    readings: [
      [320, 2950],
      [180, 60],
      [15, 441],
    ],
    last: [560, 2510],
    meter: [{ daysAgo: 200, offset: 3200 }],
  }),
];

/** A reading's day, so many days before `now`. */
export function dayBefore(now: Date, daysAgo: number): string {
  return localDay(new Date(now.getTime() - daysAgo * 86_400_000));
}

export function readingsOf(machine: DemoMachine, now: Date): HoursReading[] {
  return machine.readings.map(({ daysAgo, hours }) => ({ date: dayBefore(now, daysAgo), hours }));
}
