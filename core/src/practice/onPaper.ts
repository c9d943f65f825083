import { holdsAt } from '../barring/assembly';
import type { Adjuster } from '../engine/adjusters';
import { adjustersOf } from '../engine/adjusters';
import { wrap } from '../engine/angle';
import { cycleDegrees } from '../engine/firing';
import type { EngineSheet } from '../engine/sheet';
import { measureOf } from '../gauging/measure';
import { toSet } from '../gauging/toSet';
import { verdictOf } from '../gauging/judgeReading';
import { isFinished } from '../job/instruction/gates';
import { policyOf } from '../job/instruction/adjusterInstruction';
import type { PaperLine } from '../job/instruction/actsFromPaper';
import { actsFromPaper } from '../job/instruction/actsFromPaper';
import { jobPlan } from '../job/instruction/jobPlan';
import { paperBlanks } from '../job/instruction/paperBlanks';
import { nextOf } from '../job/instruction/jobInstruction';
import type { JobAct } from '../job/journal/events';
import { isRefused } from '../result';
import { AT_HAND } from './mechanic';
import type { AtJob } from './atJob';

/** A hand stops this near to where it bars by itself, degrees. */
const LANDS_WITHIN = 3;
const BLADE_STEP = 20;

/**
 * The phone is dead for a while: whoever works goes on at the next stops by the paper, writes down what
 * they read and set there, and types all of it in afterwards.
 */
export function onPaper(at: AtJob): readonly JobAct[] {
  const { journal, now, random } = at;
  const [setting, state] = [journal.setting(), journal.state()];
  const plan = jobPlan(setting, state);
  if (nextOf(setting, state, now)?.step !== 'stop' || isRefused(plan)) return [];
  const ids = new Map(adjustersOf(setting.sheet).map((each) => [each.id, each]));
  const lines = plan.stops.slice(0, random.whole(1, 3)).flatMap((stop) => {
    const open = stop.set.flatMap(({ id }) => ids.get(id) ?? []);
    const left = open.filter(({ id }) => !isFinished(setting.sheet, state, id));
    if (left.length > 0) barTo(at, stop.at, setting.sheet);
    const cycle = cycleDegrees(setting.sheet);
    const here = left.filter((each) => holdsAt(each, journal.engine.crank(), cycle));
    return here.flatMap((each) => lineOf(at, each) ?? []);
  });
  // Whoever has nothing to type in says that it was turned all the same.
  if (lines.length === 0) return [{ type: 'crank.turned', degrees: null, how: 'unknown' }];
  const typed = actsFromPaper(setting, state, AT_HAND, lines);
  if (isRefused(typed)) throw new Error(typed.says);
  at.log.push({ paper: lines.length });
  for (const act of typed.acts)
    if (act.type === 'adjuster.painted') at.log.push({ mark: act.adjuster });
  return typed.acts;
}

function barTo({ journal, random, log }: AtJob, angle: number, sheet: EngineSheet): void {
  const way = wrap(angle - journal.engine.crank(), cycleDegrees(sheet));
  const bar = Math.round(way) + random.whole(-LANDS_WITHIN, LANDS_WITHIN);
  journal.engine.bar(bar);
  log.push({ bar });
}

/** Fills in what the paper asks for at an adjuster; nothing where no blade enters, or one is left. */
function lineOf({ journal, log }: AtJob, { id, entry }: Adjuster): PaperLine | undefined {
  const { engine } = journal;
  const [setting, state] = [journal.setting(), journal.state()];
  const policy = policyOf(setting, state);
  const blanks = paperBlanks(entry, policy, state.adjusters[id]);
  const line = { id, found: '', shim: '', left: '', toTorque: true, done: false };
  const read = (phase: 'found' | 'left'): string => {
    const { go, noGo } = engine.measure(id, BLADE_STEP);
    if (go === 0) return '';
    log.push({ read: id, phase, go, noGo });
    const isGap = measureOf(entry) === 'lash';
    return isGap ? `${go / 1000} ${(noGo ?? 0) / 1000}` : `${(go + (noGo ?? go)) / 2000}`;
  };
  if (blanks.includes('done')) {
    log.push({ set: id });
    return { ...line, done: true };
  }
  if (!entry.spec) return undefined;
  if (blanks.includes('found')) line.found = read('found');
  if (blanks.includes('shim')) line.shim = String(engine.shim(id) / 1000);
  const { go, noGo } = engine.measure(id, BLADE_STEP);
  const isInside = verdictOf(entry.spec, { go, noGo, how: 'go-no-go' }) === 'inside';
  if (!blanks.includes('left') || (line.found !== '' && isInside)) return line;
  engine.set(id, toSet(entry.spec));
  log.push({ set: id });
  return { ...line, left: read('left') };
}
