import type { Measure } from '../gauging/measure';
import { formatInBoth, measureOf } from '../gauging/measure';
import { formatTorque } from '../torque/units';
import { formatPitch, formatRule } from '../rule';
import type { EngineSheet } from './sheet';

/** One thing that differs between two revisions: what it is, and its figures as people read them. */
export type SheetChange = { what: string; before: string; after: string };

type Leaf = { what: string; value: string };

/**
 * What changed from one revision of a sheet to another, in the sheet's order. Adjusters are
 * matched by kind, marks by name and isolations by id, so that a new first entry does not
 * make every other one look changed. A side that lacks the field has an empty figure.
 */
export function compareSheets(before: EngineSheet, after: EngineSheet): SheetChange[] {
  const old = leavesOf(before);
  const now = leavesOf(after);
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((key) => {
    const [a, b] = [old.get(key), now.get(key)];
    if (a?.value === b?.value) return [];
    const what = (b ?? a)?.what ?? key;
    return [{ what, before: a?.value ?? '', after: b?.value ?? '' }];
  });
}

function leavesOf(sheet: EngineSheet): Map<string, Leaf> {
  const leaves = new Map<string, Leaf>();
  const measures = new Map(
    sheet.adjusters.map((entry): [string, Measure] => [entry.kind, measureOf(entry)]),
  );
  collect(sheet, []);
  return leaves;

  function collect(value: unknown, path: readonly string[]): void {
    if (Array.isArray(value) && value.some(isObject)) {
      value.forEach((entry, i) => collect(entry, [...path, nameOf(entry, i)]));
    } else if (isObject(value)) {
      for (const [key, child] of Object.entries(value)) collect(child, [...path, key]);
    } else {
      const what = path.map(words).join(', ');
      leaves.set(path.join('.'), { what, value: figure(value, path, measures) });
    }
  }
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** What an entry of a list goes by. */
function nameOf(entry: unknown, place: number): string {
  if (!isObject(entry)) return String(place + 1);
  const name = entry.kind ?? entry.name ?? entry.id;
  return typeof name === 'string' || typeof name === 'number' ? String(name) : String(place + 1);
}

const WORDS: Record<string, string> = {
  everyHours: 'every so many hours',
  everyMonths: 'every so many months',
  breakInHours: 'break-in hours',
  perCylinder: 'per cylinder',
  seenFrom: 'seen from',
  setAt: 'set at',
  soakMinutes: 'rest in minutes',
  numberedFrom: 'numbered from',
  chartAnswers: 'answers to the chart',
};

function words(key: string): string {
  return WORDS[key] ?? key;
}

/** A figure with its unit; what an adjuster is set to in both, as the sheet's page has it. */
function figure(
  value: unknown,
  path: readonly string[],
  measures: ReadonlyMap<string, Measure>,
): string {
  if (Array.isArray(value)) return value.join('-');
  if (typeof value !== 'number') return String(value);
  const last = path[path.length - 1];
  const spec = path.indexOf('spec');
  if (spec > 0) return formatInBoth(measures.get(path[spec - 1] ?? '') ?? 'lash', value);
  if (last === 'torque') return formatTorque(value);
  if (last === 'rim') return formatRule(value);
  if (last === 'pitch') return formatPitch(value);
  return last === 'at' || last === 'opens' || last === 'closes' ? `${value}°` : String(value);
}
