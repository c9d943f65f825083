import type { AdjusterEntry } from '../../engine/sheet';
import { readId } from '../../engine/kinds';
import type { JobPolicy } from '../../gauging/policy';
import { measureOf } from '../../gauging/measure';
import { middleOf } from '../../gauging/reading';
import { isBegun } from '../journal/begun';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';
import { adjusterStep, isMarked } from './adjusterStep';
import { entryAtWork } from './aimAt';
import type { Instruction, InstructionTo, Settle } from './instruction';
import { questionsAt } from './questions';

type AtAdjuster = Extract<Instruction, { id: string }>;
type Bare<T> = T extends unknown ? Omit<T, 'step' | 'missing'> : never;

/** What to do at one adjuster next; undefined where nothing is asked of it there. */
export function adjusterInstruction(
  setting: JobSetting,
  state: JobState,
  id: string,
): Bare<AtAdjuster> | undefined {
  const policy = policyOf(setting, state);
  const entry = entryAtWork(setting, state, id);
  if (!entry) return undefined;
  const [question] = questionsAt(setting, state, id);
  if (question) return { do: 'answer', ask: 'question', id, question };
  const own = state.adjusters[id] ?? {};
  const torque = entry.locknut?.torque;
  const lock = { id, ...(torque !== undefined && { torque }) };
  if (!entry.spec) {
    const isAsked = policy !== 'check-only' || isBegun(own);
    if (!isAsked || isMarked(own, entry) || own.unset) return undefined;
    return own.locked ? { do: 'mark', id } : { do: 'adjust', ...lock };
  }
  const figure = { id, measure: measureOf(entry), spec: entry.spec };
  const next = adjusterStep(own, { ...entry, spec: entry.spec }, policy);
  switch (next.step) {
    case 'find':
    case 'reread': {
      const phase = next.step === 'find' ? 'found' : 'left';
      const gap = own[phase];
      const isOpen = gap !== undefined && middleOf(gap) === undefined;
      if (!next.judgement || (isOpen && !next.judgement.settle)) {
        const settle = phase === 'found' ? settleFirst(state, id, entry) : undefined;
        return { do: 'read', phase, ...(settle && { settle }), ...figure };
      }
      const tries = next.judgement.settle ?? [entry.spec.target];
      return { do: 'settle', phase, tries, ...figure };
    }
    case 'shim':
      return { do: 'answer', ask: 'shim', id };
    case 'keep':
      return { do: 'decide', judgement: next.judgement, ...figure };
    case 'lock':
      if (own.set && !own.locked) return { do: 'lock', ...lock, ...figure };
      return { do: 'adjust', judgement: next.judgement, ...lock, ...figure };
    case 'relock':
      if (own.off && !own.set) return { do: 'adjust', ...lock, ...figure };
      return { do: 'lock', ...(own.apart && { apart: true }), ...lock, ...figure };
    case 'paint':
      return { do: 'mark', id };
    case 'stand-in':
    case 'measured':
    case 'unset':
    case 'done':
      return undefined;
  }
}

/** The rule a job decides by: the shop's, or none where everything is only read. */
export function policyOf(
  { policy }: Pick<JobSetting, 'policy'>,
  { scope }: Pick<JobState, 'scope'>,
): JobPolicy {
  return scope?.checkOnly ? 'check-only' : policy;
}

/**
 * What is settled at an adjuster before it is read, where it is the first of its kind in the job:
 * no other one was read. It stays so while its own reading is taken.
 */
export function settleFirst(
  { adjusters }: JobState,
  id: string,
  entry: AdjusterEntry,
): Settle | undefined {
  const { kind } = readId(id);
  const others = Object.entries(adjusters).some(
    ([other, { found }]) => other !== id && readId(other).kind === kind && found !== undefined,
  );
  return others ? undefined : settledAs(kind, entry);
}

function settledAs(kind: string, entry: AdjusterEntry): Settle {
  if (entry.method === 'shim') return 'bucket';
  const measure = measureOf(entry);
  if (measure !== 'lash') return measure === 'height' ? 'injector' : 'screw';
  return kind === 'brake' ? 'slave' : 'rocker';
}

type WorkAt =
  | InstructionTo<'read' | 'settle' | 'decide' | 'adjust' | 'lock' | 'mark'>
  | Extract<Instruction, { do: 'answer'; ask: 'shim' | 'question' }>;

/** Whether an instruction is worked at one adjuster, on its own panel. */
export function isAtAdjuster(instruction: Instruction): instruction is WorkAt {
  if (instruction.do === 'answer') {
    return instruction.ask === 'shim' || instruction.ask === 'question';
  }
  return ['read', 'settle', 'decide', 'adjust', 'lock', 'mark'].includes(instruction.do);
}
