import { METHOD_TITLES } from '../../barring/methodWords';
import { adjusterName } from '../../engine/adjusterEntry';
import { outsideWord, verdictWord } from '../../gauging/judgeReading';
import type { Measure } from '../../gauging/measure';
import { formatLimitsInBoth, formatSetting } from '../../gauging/measure';
import { CANNOT_HEAR, noiseWords } from '../../listen/soundWords';
import { formatTemperature } from '../../temperature';
import { formatTorque } from '../../torque/units';
import { formatDay, formatHours, formatInstant } from '../../units';
import type { JobEvent } from '../journal/events';
import type {
  JobRecord,
  JudgedReading,
  RecordedAdjuster,
  RecordedTorque,
} from '../record/jobRecord';
import { adjustersIn } from '../record/jobRecord';
import {
  eventWords,
  describeLock,
  describeShim,
  describeUnset,
  readingWithUnit,
  REASON,
  RULES,
  runWords,
} from './describe';
import { nextCheckWords } from './nextCheck';
import { isWhole, kindsInWords, scopeWords } from './scopeWords';

/** One line of the table of readings. */
export type RecordRow = {
  id: string;
  name: string;
  limits: string;
  found: string;
  left: string;
  done: string;
  /** Whether it was out of its limits as found. */
  wasOut: boolean;
};

/** A few lines under a heading. */
export type RecordSection = { title: string; lines: { text: string; grave?: boolean }[] };

/** A record as people read it: the same words on the screen, in the PDF and in a file. */
export type RecordPage = {
  about: string;
  facts: { name: string; value: string }[];
  columns: { adjuster: string; limits: string; found: string; left: string; done: string };
  rows: RecordRow[];
  legend: string;
  sections: RecordSection[];
  signature: string;
  additions: string[];
  footer: string;
};

const COLUMNS = {
  adjuster: 'Adjuster',
  limits: 'Limits',
  found: 'As found',
  left: 'As left',
  done: 'Done',
};

/** The page of a record: every figure with its unit, every code in words. */
export function recordPage(record: JobRecord): RecordPage {
  const { sheet, signed, counts } = record;
  const { title = 'its manual', revision } = sheet.source ?? {};
  const source = revision === undefined ? '' : `, from ${title} revision ${revision}`;
  return inLines({
    about: `${sheet.name}, sheet revision ${sheet.revision}${source}`,
    facts: factsOf(record),
    columns: COLUMNS,
    rows: adjustersIn(record).map(rowOf),
    legend: 'a–b: a entered, b did not. What lies outside is told by the limits beside it.',
    sections: [lookedInto(record), safety(record), tightened(record)].filter(
      ({ lines }) => lines.length > 0,
    ),
    signature: signed
      ? `${signed.incomplete ? 'Closed as incomplete' : 'Signed'} by ${signed.name}, ${formatInstant(signed.at)}.`
      : unsignedWords(record),
    additions: [
      ...record.additions.map(
        ({ text, by, at }) => `Added after signing, ${formatInstant(at)}, ${by}: ${text}`,
      ),
      ...record.late.map(lateWords),
    ],
    footer: `Where this record and the maker’s current manual differ, the manual stands. ${counts.adjusters} adjusters, ${counts.entries} entries.`,
  });
}

/** What somebody wrote in several lines stands in one: nobody forges a line of a record. */
function inLines(page: RecordPage): RecordPage {
  return {
    ...page,
    about: oneLine(page.about),
    facts: page.facts.map(({ name, value }) => ({ name, value: oneLine(value) })),
    rows: page.rows.map((row) => ({ ...row, done: oneLine(row.done) })),
    sections: page.sections.map(({ title, lines }) => ({
      title,
      lines: lines.map((line) => ({ ...line, text: oneLine(line.text) })),
    })),
    signature: oneLine(page.signature),
    additions: page.additions.map(oneLine),
  };
}

function oneLine(text: string): string {
  return text.replace(/[\r\n\u0085\u2028\u2029]+/g, ' / ');
}

/** What reached the server when it was signed already, or a signature that came too soon. */
function lateWords(event: JobEvent): string {
  const { by, at } = event;
  const why =
    event.type === 'job.signed' ? 'A signature that does not count' : 'Came too late to count';
  return `${why}, ${formatInstant(at)}, ${by}: ${eventWords(event)}`;
}

function unsignedWords({ abandoned }: JobRecord): string {
  if (!abandoned) return 'Not signed: this job is still open.';
  const { reason, by, at } = abandoned;
  return `Abandoned by ${by}, ${formatInstant(at)}, and not counted: ${reason}`;
}

function factsOf(record: JobRecord): RecordPage['facts'] {
  const { head, hours, why, tag, metal, runs, people, rules, scope, signed } = record;
  const fact = (name: string, value: string) => ({ name, value });
  return [
    fact('Begun', `${formatDay(head.at)} by ${head.by}`),
    ...(people.length > 1 ? [fact('Worked', new Intl.ListFormat('en').format(people))] : []),
    fact('Hours', hoursFact(hours)),
    ...(isWhole(scope.told) ? [] : [fact('About', scopeFact(scope))]),
    fact('Why', why ? [REASON[why.reason], why.symptom].filter(Boolean).join(': ') : 'not said'),
    temperatureFact(record),
    ...(metal ? [fact('Metal', `${formatTemperature(metal.celsius)}, read by ${metal.by}`)] : []),
    ...(tag ? [fact('Data tag', tag.tag || 'none the sheet knows')] : []),
    fact('Method', METHOD_TITLES[record.method]),
    ...supposedFacts(record),
    fact('Rule', RULES[rules.policy]),
    fact('Run', runs.length > 0 ? runs.map(howItRan).join('; then ') : 'not run yet'),
    fact('Time', timeWords(record)),
    ...(signed && !signed.incomplete ? [fact('Next check', nextCheckFact(record, signed))] : []),
  ];
}

function nextCheckFact({ sheet, hours, scope }: JobRecord, { at }: { at: string }): string {
  return nextCheckWords({ service: sheet.service, hours, at, leftOut: scope.leftOut });
}

function hoursFact(hours: JobRecord['hours']): string {
  if (!hours) return 'not read';
  const says = `${formatHours(hours.hours)} h`;
  return hours.asSigned === undefined
    ? says
    : `${says}, put right since: ${formatHours(hours.asSigned)} h when it was signed`;
}

/** What the job was about, and what it was not about and stays due. */
function scopeFact({ told, leftOut }: JobRecord['scope']): string {
  const words = scopeWords(told);
  return leftOut.length === 0 ? words : `${words}. Still due: ${kindsInWords(leftOut)}`;
}

/** Cold since when, or how long it ran hot before it was shut down. */
function temperatureFact({ temperature }: JobRecord): { name: string; value: string } {
  if (temperature.state === 'cold') {
    const { since } = temperature;
    return { name: 'At rest since', value: since ? formatInstant(since) : 'not said' };
  }
  const { run } = temperature;
  const value = run ? `${formatInstant(run.stopped)}, after ${run.ran} min` : 'not said';
  return { name: 'Shut down hot', value };
}

/** What the sheet did not tell, and whence it was taken. */
function supposedFacts({ supposed: { turning, lobes } }: JobRecord): RecordPage['facts'] {
  const turns = turning && `${turning.sense}, seen from the ${turning.seenFrom}`;
  return [
    ...(turns
      ? [{ name: 'Turns', value: `${turns}, as ${turning.by} said: not in the sheet` }]
      : []),
    ...(lobes.length > 0
      ? [{ name: 'Lobes', value: `typical figures for ${kindsInWords(lobes)}, not the maker’s` }]
      : []),
  ];
}

const MINUTE = 60_000;

/** How long each phase took, the pauses left out. */
function timeWords({ phases }: JobRecord): string {
  const told = phases.filter(({ ms }) => ms >= MINUTE);
  const total = told.reduce((sum, { ms }) => sum + ms, 0);
  if (total < MINUTE) return 'under a minute';
  const words = told.map(({ phase, ms }) => `${phase.toLowerCase()} ${Math.round(ms / MINUTE)}`);
  return `${Math.round(total / MINUTE)} min: ${words.join(', ')}`;
}

function howItRan(run: JobRecord['runs'][number]): string {
  if (!run.ran) return ['not run', run.note].filter(Boolean).join(': ');
  const words = [run.leaks ? 'it leaks' : 'no leaks'];
  if (run.symptomGone !== undefined) {
    words.push(run.symptomGone ? 'symptom gone' : 'symptom still there');
  }
  if (run.note) words.push(run.note);
  return words.join(', ');
}

function rowOf(adjuster: RecordedAdjuster): RecordRow {
  const { id, measure, limits, found, left, again, touched } = adjuster;
  return {
    id,
    name: adjusterName(id),
    limits: limits ? formatLimitsInBoth(measure, limits) : 'no figure',
    found: found ? judgedWords(measure, found) : 'not read',
    left: [
      left ? judgedWords(measure, left) : touched ? 'not read since it was set' : 'not set',
      again && `again ${judgedWords(measure, again)}`,
    ]
      .filter(Boolean)
      .join('; '),
    done: doneWords(adjuster),
    wasOut: outsideWord(measure, found?.verdict) !== undefined,
  };
}

/** A reading with its unit, and what is said of it where it is not known to lie inside its limits. */
function judgedWords(measure: Measure, { reading, verdict }: JudgedReading): string {
  const words = `${readingWithUnit(measure, reading)}`;
  return [words, verdictWord(measure, verdict)].filter(Boolean).join(', ');
}

/** What was done to it, or why nothing could be. */
function doneWords({
  outOfScope,
  limits,
  lock,
  aimed,
  kept,
  unset,
  backedOff,
  leftOpen,
  shim,
  touched,
  doubted,
  apart,
  foundToo,
  set,
  measure,
}: RecordedAdjuster): string {
  const words = [
    outOfScope && (touched ? 'no part of this job any more' : 'not part of this job'),
    backedOff && 'was off or backed off',
    unset && describeUnset(unset),
    leftOpen && 'left half done',
    set && `${readingWithUnit(measure, set.reading)} before locking`,
    lock && describeLock(lock),
    aimed !== undefined && limits && aimedWords(aimed, limits.target),
    shim && shimWords(shim),
    kept && 'not touched',
    !kept && touched && !lock && !shim && 'set, then left so',
    doubted && 'doubted, not read again',
    apart && 'set from two phones that had not heard of each other: nobody knows how it stands',
    foundToo && foundTooWords(foundToo, measure),
  ];
  return words.filter(Boolean).join('; ');
}

/** What another phone read as found, perhaps of what was set already. */
function foundTooWords(
  { reading, by }: NonNullable<RecordedAdjuster['foundToo']>,
  measure: Measure,
): string {
  const who = by === undefined ? '' : ` by ${by}`;
  return `read as found once more, on a phone that had not heard of it: ${readingWithUnit(measure, reading)}${who}`;
}

function aimedWords(aimed: number, target: number): string {
  const [to, maker] = [aimed, target].map((figure) => formatSetting('lash', figure));
  return `aimed at ${to} by its drift, the target is ${maker}`;
}

function shimWords({ found, fitted }: NonNullable<RecordedAdjuster['shim']>): string {
  if (fitted === undefined) return found === undefined ? '' : `${describeShim(found)} stays`;
  const out = found === undefined ? '' : `${describeShim(found)} out, `;
  return `${out}${describeShim(fitted)} in`;
}

function lookedInto(record: JobRecord): RecordSection {
  const { tooCool, answers, open, handed, cameOff, notes } = record;
  const lines = [
    ...tooCool.map((id) => `${adjusterName(id)}: read after the hot window was over`),
    ...answers.map(answerWords),
    ...open.map(({ says, look }) => `Not looked into: ${says} ${look}`),
    ...handed.map(({ to, by, at }) => `Handed over by ${by} to ${to}, ${formatInstant(at)}`),
    ...cameOff.map(
      ({ what, from, back }) =>
        `Came off: ${what}${from ? `, from ${from}` : ''}; ${back ? 'back' : 'not ticked as back'}`,
    ),
    ...noiseLines(record),
    ...notes.map(({ text, by }) => `For the next one: ${text} (${by})`),
  ];
  return { title: 'Looked into, and noted', lines: lines.map((text) => ({ text })) };
}

/** How it sounded before and after, and what a sound cannot tell. */
function noiseLines({ noise }: JobRecord): string[] {
  const { before, after } = noise;
  if (!before && !after) return [];
  const told = { ...(before && { before: before.heard }), ...(after && { after: after.heard }) };
  return [`Noise: ${noiseWords(told)} ${CANNOT_HEAR}`];
}

function answerWords({ id, says, answer, note, mayRun, by }: JobRecord['answers'][number]): string {
  const words = [answer, note, runWords(mayRun)].filter(Boolean).join(', ');
  return `${adjusterName(id)}: ${says} ${words} (${by})`;
}

/** What was isolated, what did not apply and why, and that it was taken back. */
function safety(record: JobRecord): RecordSection {
  const { isolations, barOut, locks, clears, tools, deviations } = record;
  const lines = [
    ...isolations.map(({ text, done, exempt, undone }) => {
      if (!done) return `${text}: not done`;
      if (exempt !== undefined) return `${text}: did not apply: ${exempt} (${done.by})`;
      const back = undone ? `; undone by ${undone.by}` : '';
      return `${text}: ${done.by}, ${formatInstant(done.at)}${back}`;
    }),
    ...locks.map(lockWords),
    barOut
      ? `Bar and pins out: ${barOut.by}, ${formatInstant(barOut.at)}`
      : 'Bar and pins: not out yet',
    ...clears.map(({ person, by, looked }) =>
      looked ? `${person}: ${by} went and looked: ${looked}` : `${person}: clear, own lock off`,
    ),
    ...(tools ? [`Tools counted back: ${tools.by}`] : []),
  ];
  return {
    title: 'Made unable to start, and able again',
    lines: [
      ...lines.map((text) => ({ text })),
      ...deviations.map(({ what, reason, by }) => ({
        text: `Deviation: ${what}: ${reason} (${by})`,
        grave: true,
      })),
    ],
  };
}

/** Whose lock hung from when to when, and who took it off. */
function lockWords({ person, hung, off }: JobRecord['locks'][number]): string {
  const words = `${person}: own lock hung ${formatInstant(hung)}`;
  if (!off) return `${words}, hangs still`;
  if (off.by === person) return `${words}, off ${formatInstant(off.at)}`;
  return `${words}; taken off by ${off.by} ${formatInstant(off.at)}, who went and looked: ${off.looked}`;
}

function tightened({ torques, closing }: JobRecord): RecordSection {
  const lines = [
    ...torques.map(
      (sequence) =>
        `${sequence.name}: ${stagesWords(sequence)}, ${sequence.done} of ${sequence.of} steps done`,
    ),
    ...closing.map(({ text, by, note }) => `${text}${note ? `: ${note}` : ''} (${by})`),
  ];
  return { title: 'Tightened and closed up', lines: lines.map((text) => ({ text })) };
}

/** The stages of a sequence, each to its torque in both units, or on by its angle. */
function stagesWords({ stages, torque }: RecordedTorque): string {
  const words = stages.map((stage) => {
    if ('angle' in stage) return `on by ${Number(stage.angle)}°`;
    const to = 'percent' in stage ? (torque * Number(stage.percent)) / 100 : Number(stage.torque);
    return formatTorque(to);
  });
  return words.join(', then ');
}
