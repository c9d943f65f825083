import { entryOf } from '../../engine/adjusterEntry';
import { measureOf } from '../../gauging/measure';
import type { JobSetting } from '../journal/setting';
import type { JobState } from '../journal/state';
import { adjusterStep } from './adjusterStep';
import type { Instruction, InstructionTo } from './instruction';

type AtAdjuster = Extract<Instruction, { id: string }>;
type Bare<T> = T extends unknown ? Omit<T, 'step' | 'missing'> : never;

/** What to do at one adjuster next; undefined where nothing is asked of it there. */
export function adjusterInstruction(
  { sheet, policy }: JobSetting,
  state: JobState,
  id: string,
): Bare<AtAdjuster> | undefined {
  const entry = entryOf(sheet, id);
  if (!entry) return undefined;
  const own = state.adjusters[id] ?? {};
  const torque = entry.locknut?.torque;
  const lock = { id, ...(torque !== undefined && { torque }) };
  if (!entry.spec) {
    if (own.painted || own.unset) return undefined;
    return own.locked ? { do: 'mark', id } : { do: 'adjust', ...lock };
  }
  const figure = { id, measure: measureOf(entry), spec: entry.spec };
  const next = adjusterStep(own, { ...entry, spec: entry.spec }, policy);
  switch (next.step) {
    case 'find':
    case 'reread': {
      const phase = next.step === 'find' ? 'found' : 'left';
      if (!next.judgement) return { do: 'read', phase, ...figure };
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
    case 'paint':
      return { do: 'mark', id };
    case 'measured':
    case 'unset':
    case 'done':
      return undefined;
  }
}

/** Whether an instruction is about one adjuster. */
export function isAtAdjuster(
  instruction: Instruction,
): instruction is InstructionTo<'read' | 'settle' | 'decide' | 'adjust' | 'lock' | 'mark'> {
  return ['read', 'settle', 'decide', 'adjust', 'lock', 'mark'].includes(instruction.do);
}
