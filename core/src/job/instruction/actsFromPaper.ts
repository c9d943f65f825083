import type { Issue } from '../../issue';
import type { Malformed } from '../../result';
import { isRefused, malformed } from '../../result';
import type { AdjusterEntry } from '../../engine/sheet';
import type { BladeSet } from '../../gauging/blades';
import { judgeReading } from '../../gauging/judgeReading';
import { measureOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import type { SettingSpec } from '../../gauging/toSet';
import { readingFromTyped } from '../../gauging/typedReading';
import { readNumber } from '../../typedNumber';
import type { JobAct } from '../journal/events';
import type { JobSetting } from '../journal/setting';
import type { AdjusterState, JobState } from '../journal/state';
import { policyOf } from './adjusterInstruction';
import { entryAtWork } from './aimAt';
import { paperBlanks } from './paperBlanks';
import { questionsAt } from './questions';

/** One line of the paper as it is typed: readings as they are written, and how it was locked. */
export type PaperLine = {
  id: string;
  found: string;
  /** The shim that is in its bucket, mm. */
  shim: string;
  left: string;
  toTorque: boolean;
  /** That it is done, where it has no figure to be read: a bridge that was levelled. */
  done: boolean;
};

/** No shim is thinner or thicker than this, µm: such a figure is in another unit. */
const [LEAST_SHIM, MOST_SHIM] = [500, 10_000];

/** What is wrong with a line, and at which of its blanks. */
export type PaperMistake = Issue & { id: string; blank: 'found' | 'shim' | 'left' };

/**
 * What the lines of a paper say for the journal, all of them or none: refused with the mistakes where
 * one cannot be read. As found alone means left as found, as left means set and locked; what raises
 * a question or lies outside its limits stays open, to be worked at on the screen. The crank was
 * turned by hand meanwhile, so its place is found anew before anything more is read. What the paper
 * has no blank for is not taken.
 */
export function actsFromPaper(
  setting: JobSetting,
  state: JobState,
  set: BladeSet,
  lines: readonly PaperLine[],
): { acts: JobAct[] } | Malformed<PaperMistake> {
  const mistakes: PaperMistake[] = [];
  const acts: JobAct[] = [];
  for (const line of lines) {
    const entry = entryAtWork(setting, state, line.id);
    const { spec } = entry ?? {};
    if (!entry) continue;
    const blanks = new Set(paperBlanks(entry, policyOf(setting, state), state.adjusters[line.id]));
    if (line.done && blanks.has('done')) {
      acts.push(lockOf(line, entry), { type: 'adjuster.painted', adjuster: line.id });
    }
    if (!spec) continue;
    const read = (blank: 'found' | 'left') =>
      blanks.has(blank) ? typed(line, blank, { ...entry, spec }, set, mistakes) : undefined;
    const [found, left] = [read('found'), read('left')];
    acts.push(...actsOf({ setting, state, line, entry: { ...entry, spec }, found, left }));
    if (blanks.has('shim')) acts.push(...shimOf(line, mistakes));
  }
  if (mistakes.length > 0) return malformed(mistakes);
  if (acts.length === 0) return { acts };
  return { acts: [...acts, { type: 'crank.turned', degrees: null, how: 'unknown' }] };
}

type Settable = AdjusterEntry & { spec: SettingSpec };

function typed(
  line: PaperLine,
  blank: 'found' | 'left',
  { spec, ...entry }: Settable,
  set: BladeSet,
  mistakes: PaperMistake[],
): Reading | undefined {
  if (line[blank].trim() === '') return undefined;
  const answer = readingFromTyped(line[blank], { measure: measureOf(entry), spec, set });
  if (!isRefused(answer)) return answer.reading;
  const { says: message } = answer;
  const { id } = line;
  mistakes.push({ path: `${id}.${blank}`, message, id, blank });
  return undefined;
}

/** The shim that is in a bucket, as it is written beside it. */
function shimOf({ id, shim }: PaperLine, mistakes: PaperMistake[]): JobAct[] {
  if (shim.trim() === '') return [];
  const size = Math.round((readNumber(shim) ?? NaN) * 1000);
  if (size >= LEAST_SHIM && size <= MOST_SHIM) {
    return [{ type: 'shim.found', adjuster: id, size }];
  }
  const message = 'A shim is some millimetres thick, such as 2.75.';
  mistakes.push({ path: `${id}.shim`, message, id, blank: 'shim' });
  return [];
}

type Line = {
  setting: JobSetting;
  state: JobState;
  line: PaperLine;
  entry: Settable;
  found: Reading | undefined;
  left: Reading | undefined;
};

function actsOf({ setting, state, line, entry, found, left }: Line): JobAct[] {
  const { id: adjuster } = line;
  const read = (phase: 'found' | 'left', reading: Reading): JobAct => ({
    type: 'reading.taken',
    adjuster,
    phase,
    reading,
  });
  const acts = found ? [read('found', found)] : [];
  // A bucket has no nut.
  if (left && entry.method !== 'shim') acts.push(lockOf(line, entry));
  if (left) acts.push(read('left', left));
  const reading = left ?? found;
  const rule = policyOf(setting, state);
  // Buckets are measured on paper: which shim goes where is worked out on the screen.
  if (!reading || (entry.method === 'shim' && rule !== 'check-only')) return acts;
  const after: AdjusterState = left
    ? { ...(found && { found }), left, locked: { how: 'feel', by: '' } }
    : { ...(found && { found }) };
  const asked = questionsAt(
    setting,
    { ...state, adjusters: { ...state.adjusters, [adjuster]: after } },
    adjuster,
  );
  const policy = left ? 'leave-inside' : rule;
  const { action } = judgeReading(entry.spec, reading, policy, measureOf(entry));
  if (asked.length > 0 || action !== 'leave') return acts;
  if (!left) acts.push({ type: 'adjuster.kept', adjuster });
  return [...acts, { type: 'adjuster.painted', adjuster }];
}

/** How it was locked: to the sheet's torque where that was said, else by feel; and at what it aimed. */
function lockOf(
  { id, toTorque }: PaperLine,
  { locknut, spec }: AdjusterEntry & { spec?: SettingSpec | undefined },
): JobAct {
  const torque = locknut?.torque;
  const aimed = spec?.aim === undefined ? {} : { aimed: spec.aim };
  const lock = { type: 'adjuster.locked' as const, adjuster: id, ...aimed };
  return toTorque && torque !== undefined
    ? { ...lock, how: 'torque', torque }
    : { ...lock, how: 'feel' };
}
