import type {
  HoursPost,
  Issue,
  MachineDetail,
  MachinePatch,
  MachinePost,
  Malformed,
} from '@longbar/core';
import {
  HoursPostSchema,
  issuesOf,
  MachinePatchSchema,
  MachinePostSchema,
  malformed,
  readNumber,
} from '@longbar/core';
import * as v from 'valibot';

/** A machine as it is typed: what is left empty is not known. */
export type TypedMachine = Record<
  | 'name'
  | 'sheet'
  | 'place'
  | 'owner'
  | 'serial'
  | 'tag'
  | 'photo'
  | 'inServiceSince'
  | 'hoursThen'
  | 'hoursAYear'
  | 'hours',
  string
>;

export const EMPTY: TypedMachine = {
  name: '',
  sheet: '',
  place: '',
  owner: '',
  serial: '',
  tag: '',
  photo: '',
  inServiceSince: '',
  hoursThen: '',
  hoursAYear: '',
  hours: '',
};

/** What stands of a machine, to be typed over. */
export function typedFrom(machine: MachineDetail): TypedMachine {
  const { name, place = '', owner = '', serial = '', tag = '', photo = '', baseline } = machine;
  const { inServiceSince = '', hoursThen, hoursAYear } = baseline;
  return {
    ...EMPTY,
    ...{ name, place, owner, serial, tag, photo, inServiceSince },
    sheet: machine.sheet.id,
    hoursThen: hoursThen === undefined ? '' : String(hoursThen),
    hoursAYear: hoursAYear === undefined ? '' : String(hoursAYear),
  };
}

export type ReadMachine = { machine: MachinePost; hours: HoursPost | undefined } | Malformed;

/** What was typed as it is sent, or what is wrong with it, field by field. */
export function readMachine(typed: TypedMachine, id: string, today: string): ReadMachine {
  const { hoursThen, hoursAYear, hours, ...texts } = typed;
  const given = Object.entries(texts).filter(([, text]) => text.trim() !== '');
  const figures = Object.entries({ hoursThen, hoursAYear }).filter(([, text]) => text.trim());
  const machine = v.safeParse(MachinePostSchema, {
    id,
    ...Object.fromEntries(given),
    ...Object.fromEntries(figures.map(([key, text]) => [key, figureOf(text)])),
  });
  const reading =
    hours.trim() === '' ? undefined : v.safeParse(HoursPostSchema, readOn(today, hours));
  const issues = [
    ...(machine.success ? [] : issuesOf(machine.issues).map(inWords)),
    ...(!reading || reading.success ? [] : issuesOf(reading.issues)),
    ...aheadOf(typed.inServiceSince, today),
  ];
  if (issues.length > 0 || !machine.success) return malformed(issues);
  return {
    machine: machine.output,
    hours: reading?.success ? reading.output : undefined,
  };
}

function readOn(date: string, hours: string) {
  return { date, hours: figureOf(hours) };
}

function figureOf(text: string): number {
  return readNumber(text, { groups: true }) ?? NaN;
}

/** What is missing altogether is asked for in the words of the form. */
function inWords({ path, message }: Issue): Issue {
  if (path === 'name') return { path, message: 'Give the machine a name.' };
  if (path === 'sheet') return { path, message: 'Choose the sheet of its engine.' };
  return { path, message };
}

function aheadOf(date: string, today: string): Issue[] {
  const message = 'The date lies ahead. Give the day it went into service.';
  return date > today ? [{ path: 'inServiceSince', message }] : [];
}

const KEYS = [
  'name',
  'sheet',
  'place',
  'owner',
  'serial',
  'tag',
  'photo',
  'inServiceSince',
  'hoursThen',
  'hoursAYear',
] as const;

/** What changed between what stood and what is typed now; undefined where nothing did. */
export function patchBetween(before: TypedMachine, machine: MachinePost): MachinePatch | undefined {
  const changed = KEYS.filter((key) => String(machine[key] ?? '') !== before[key]);
  if (changed.length === 0) return undefined;
  return v.parse(
    MachinePatchSchema,
    Object.fromEntries(changed.map((key) => [key, machine[key] ?? null])),
  );
}
