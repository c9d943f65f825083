import { adjusterName } from '../../engine/adjusterEntry';
import { readId } from '../../engine/kinds';
import type { AdjusterEntry } from '../../engine/sheet';
import type { SettingSpec } from '../../gauging/toSet';
import { toSet } from '../../gauging/toSet';
import type { Measure } from '../../gauging/measure';
import { formatInBoth, formatSetting } from '../../gauging/measure';
import type {
  BarInstruction,
  Instruction,
  InstructionTo,
  Settle,
} from '../instruction/instruction';
import { formatTorque } from '../../torque/units';
import { describeFeel } from './feelWords';
import { describeSeen } from './describeSeen';
import { describeShim } from './describe';
import type { ItemNames } from './itemNames';

/** What to do in a few words, and what a person needs to know for it. */
export type SaidInstruction = { what: string; detail?: string };

/**
 * An instruction for people: the same words aloud, on paper, in the helper's view and on the
 * screen. `names` are those of the job's lists, `itemNames(sheet, state)`.
 *
 * `{ do: 'read', id: 'intake.1', phase: 'found', … }` → `{ what: 'Read No. 1 intake as found', … }`
 */
export function describeInstruction(instruction: Instruction, names: ItemNames): SaidInstruction {
  const named = (key: string) => names.get(key) ?? key;
  switch (instruction.do) {
    case 'answer':
      return describeAsked(instruction, names);
    case 'isolate':
      return { what: 'Isolate', detail: named(`isolation ${instruction.isolation}`) };
    case 'hang':
      return {
        what: 'Hang your own lock',
        detail: 'It comes off when you are clear. Nobody else takes it off.',
      };
    case 'open':
      return { what: 'Open up', detail: 'Note what comes off and where it belongs.' };
    case 'torque':
      return { what: `Run down fastener ${instruction.fastener + 1}` };
    case 'look':
      return {
        what: 'Look again',
        detail: `These do not fit together: ${instruction.again.map(describeSeen).join(', ')}.`,
      };
    case 'bar': {
      const { what, sight } = describeBar(instruction);
      const { loose, firm } = instruction.feel;
      const there = loose.length + firm.length > 0;
      return { what, detail: there ? `${sight} There: ${describeFeel(instruction.feel)}` : sight };
    }
    case 'feel':
      return describeFelt(instruction);
    case 'fit':
      return 'plan' in instruction
        ? { what: 'Work out which shim goes where' }
        : { what: 'Fit shims', detail: instruction.acts.map(fitted).join(', ') };
    case 'round':
      return { what: 'The round is done', detail: 'Say so, and close up.' };
    case 'close':
      return { what: 'Close up', detail: named(`closing ${instruction.item}`) };
    case 'clear':
      return instruction.what === 'bar'
        ? { what: 'Bar and pins out of the engine' }
        : { what: `${instruction.person}: clear, own lock off` };
    case 'count':
      return { what: 'Count the tools back' };
    case 'restore':
      return { what: 'Take the isolation back', detail: named(`undo ${instruction.isolation}`) };
    case 'run':
      return describeRun(instruction);
    case 'sign':
      return { what: signWords(instruction) };
    default:
      return describeAtAdjuster(instruction);
  }
}

const ASKED = {
  why: 'Say why the engine is opened',
  hours: 'Read the hours',
  temperature: 'Say how warm the engine is',
  rotation: 'Say which way the engine turns',
  turned: 'Say whether anybody turned the crank meanwhile',
  round: 'Say what the round reads again',
  tag: 'Read the data tag',
  leak: 'It leaks: mend it and run it again, or say why it is left',
} as const;

function describeAsked(asked: InstructionTo<'answer'>, names: ItemNames): SaidInstruction {
  switch (asked.ask) {
    case 'ready':
      return { what: 'Make ready', detail: names.get(`ready ${asked.item}`) ?? asked.item };
    case 'method':
      return { what: 'Choose another method', detail: asked.why.says };
    case 'unserved':
      return { what: `${adjusterName(asked.id)}: say how it is to be set, or leave it unset` };
    case 'chart':
      return {
        what: `${adjusterName(asked.id)}: by the chart, or at its best place?`,
        detail: describeChartPlace(asked),
      };
    case 'shim':
      return { what: `${adjusterName(asked.id)}: which shim is in it?` };
    case 'question': {
      const { says, look } = asked.question;
      const detail = [says, look].filter(Boolean).join(' ');
      return { what: `${adjusterName(asked.id)}: look into its reading`, detail };
    }
    default:
      return { what: ASKED[asked.ask] };
  }
}

function describeRun({ not }: InstructionTo<'run'>): SaidInstruction {
  if (not.length === 0) return { what: 'Run it, and say how it ran' };
  return { what: 'Not to be run', detail: `Because of ${not.map(adjusterName).join(', ')}.` };
}

function signWords({ incomplete, ran, leaks }: InstructionTo<'sign'>): string {
  if (incomplete) return 'Sign as incomplete';
  if (!ran) return 'Sign without a run';
  return leaks ? 'Sign with the leak open' : 'Sign';
}

/** What speaks against the place that the manual's chart gives an adjuster. */
export function describeChartPlace({ at, margin }: { at: number; margin: number }): string {
  const place = `The manual’s chart sets it at ${Math.round(at)}°`;
  return margin < 0
    ? `${place}, where by this sheet it stands ${Math.round(-margin)}° on its lobe.`
    : `${place}, where by this sheet only ${Math.round(margin)}° keep it off its lobe.`;
}

/** How far to bar, and what is seen there; an unknown way is barred to what is seen. */
export function describeBar({ turned: { degrees }, sight, rotation, why }: BarInstruction): {
  what: string;
  sight: string;
} {
  const turn = degrees === null ? undefined : Math.round(degrees);
  return {
    what: turn === undefined ? 'Bar on' : `Bar ${turn}° ${rotation?.sense ?? 'on'}`,
    sight: describeSight(sight, why, turn),
  };
}

/** What is waited for on the way. */
function describeSight(
  sight: BarInstruction['sight'],
  why: BarInstruction['why'],
  turn: number | undefined,
): string {
  if (sight === 'any-mark') return 'To whichever mark comes first; say which it is.';
  if (!sight) return 'No mark stands here: by eye, or by the turns of the tool.';
  if ('mark' in sight) {
    const again = turn !== undefined && turn >= 360;
    return again ? `Mark ${sight.mark} comes round once more.` : `To mark ${sight.mark}.`;
  }
  const slowly = `Slowly, until ${describeSeen(sight)}.`;
  return why === 'peak' ? `${slowly} That tells the place before the stop.` : slowly;
}

function describeFelt({ step, why, feel, cylinder }: InstructionTo<'feel'>): SaidInstruction {
  const ids = [...feel.loose, ...feel.firm];
  const asked = [...new Set(ids.map((id) => readId(id).cylinder))];
  if (why === 'check' && step !== 'find') {
    return { what: 'Feel these first', detail: describeFeel(feel) };
  }
  if (why === 'check') {
    return { what: `Feel No. ${asked.join(' and ')}`, detail: 'That tells which turn it is.' };
  }
  return cylinder === undefined || asked.length > 1
    ? {
        what: `Feel No. ${asked.join(' and ')}`,
        detail: 'One mistaken rocker must not decide it.',
      }
    : { what: `Wiggle No. ${cylinder}`, detail: 'It tells the most.' };
}

const READ = { found: 'as found', left: 'after locking', again: 'once more' } as const;

type AtAdjuster = InstructionTo<'read' | 'settle' | 'decide' | 'adjust' | 'lock' | 'mark'>;

function describeAtAdjuster(at: AtAdjuster): SaidInstruction {
  const name = adjusterName(at.id);
  switch (at.do) {
    case 'read':
      return {
        what: `Read ${name} ${READ[at.phase]}`,
        detail: [formatInBoth(at.measure, at.spec.target), at.settle && describeSettle(at.settle)]
          .filter(Boolean)
          .join('. '),
      };
    case 'settle': {
      const tries = at.tries.map((size) => formatSetting(at.measure, size)).join(' and ');
      return { what: `${name}: the reading spans a limit`, detail: `Try ${tries}.` };
    }
    case 'decide':
      return { what: `${name}: leave it as found`, detail: at.judgement.why };
    case 'adjust':
      return {
        what: `Set ${name}`,
        ...(at.measure && at.spec && { detail: settingWords(at.measure, at.spec) }),
      };
    case 'lock': {
      const how = at.torque === undefined ? 'By the manual.' : `At ${formatTorque(at.torque)}.`;
      return { what: `Lock ${name}`, detail: at.apart ? `${describeApart('screw')} ${how}` : how };
    }
    case 'mark':
      return { what: `${name}: finished, mark it` };
  }
}

/** Why what two people did already is asked for once more: both changed it, unheard of. */
export function describeApart(method: AdjusterEntry['method']): string {
  const how = method === 'shim' ? 'Look which shim is in, and read it' : 'Set, lock and read it';
  return `It was set from two phones, and neither had heard of the other: nobody knows how it stands. ${how} once more.`;
}

/** What it is set to; the maker's target stands beside an aim. */
function settingWords(measure: Measure, spec: SettingSpec): string {
  const set = formatInBoth(measure, toSet(spec));
  if (spec.aim === undefined) return set;
  return `${set}. The maker’s target is ${formatSetting(measure, spec.target)}`;
}

/** How a rocker, a bucket or a screw is settled before it is read. */
export function describeSettle(settle: Settle): string {
  return SETTLE[settle];
}

const SETTLE: Record<Settle, string> = {
  rocker:
    'Settle it first: push the rocker down to squeeze the oil out, spin the foot cup, toggle it.',
  bucket: 'Settle it first: press the bucket down to squeeze the oil out, and let it come up.',
  injector:
    'Settle it first: wipe the datum clean, push the rocker down to squeeze the oil out, let it come back.',
  screw: 'Settle it first: push the rocker down to squeeze the oil out. Then pull slowly.',
  slave: 'Settle it first: push its piston down to squeeze the oil out and take up the slack.',
};

function fitted({ id, in: size }: { id: string; in: number | null }): string {
  return `${adjusterName(id)}: ${describeShim(size)}`;
}
