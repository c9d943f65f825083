import type { RuleUnit } from '@longbar/core';
import {
  formatLengthAlone,
  lengthFromTyped,
  readNumber,
  ruleUnit,
  unitsShown,
} from '@longbar/core';
import { useState } from 'react';
import { Field } from '../../ui/Field';
import type { Notation } from '../shared/notations';
import { OF_MEASURE, THREADS } from '../shared/notations';

/** A figure as it is typed into a sum. */
export type Figure = {
  label: string;
  text: string;
  set: (text: string) => void;
  /** What it says; undefined where it is empty or no figure. */
  value: number | undefined;
  /** What is wrong with it. */
  problem: string | undefined;
};

/** A figure to type, beginning with `first`; `asked` says what one looks like. */
export function useFigure(
  label: string,
  first?: number,
  asked = 'A figure, such as 12.5.',
): Figure {
  const [text, set] = useState(first === undefined ? '' : plainFigure(first));
  const value = readNumber(text);
  return {
    label,
    text,
    set,
    value,
    problem: value === undefined && text.trim() ? asked : undefined,
  };
}

/** A figure as it stands in a field: two places at the most, thousands together. */
export const plainFigure = new Intl.NumberFormat('en', {
  maximumFractionDigits: 2,
  useGrouping: false,
}).format;

/** A length to type in the shop’s unit, or with its unit behind it; its value is in whole µm. */
export function useLength(label: string, first?: number): Figure {
  const unit = unitsShown().length;
  const [text, set] = useState(first === undefined ? '' : formatLengthAlone(first, unit));
  const value = lengthFromTyped(text, unit);
  const asked =
    unit === 'mm' ? 'A length, such as 0.33 or 13 thou.' : 'A length, such as 13 or 0.33 mm.';
  return {
    ...{ label: `${label}, ${unit}`, text, set, value },
    problem: value === undefined && text.trim() ? asked : undefined,
  };
}

/** A length off a rule or a tape to type, in mm or in inches; its value is in whole µm. */
export function useRule(label: string, first?: number): Figure {
  const unit = ruleUnit();
  return useKept(`${label}, ${unit}`, OF_MEASURE[unit], first);
}

/** How fine a screw’s thread is, to type as its standard has it; its value is its pitch in whole µm. */
export function usePitch(first: number): Figure {
  const [label, notation] = PITCHES[ruleUnit()];
  return useKept(label, notation, first);
}

const PITCHES: Record<RuleUnit, [label: string, notation: Notation]> = {
  mm: ['Pitch of the screw, mm a turn', OF_MEASURE.mm],
  in: ['Threads of the screw in an inch', THREADS],
};

/** A figure that is typed in one way and kept in another. */
function useKept(label: string, { read, show }: Notation, first?: number): Figure {
  const figure = useFigure(label, first === undefined ? first : Number(show(first)));
  const kept = read(figure.value ?? NaN);
  // No thread has 0 in an inch.
  return { ...figure, value: Number.isFinite(kept) ? kept : undefined };
}

/** The field of a figure. */
export function FigureField({ of: { label, text, set, problem } }: { of: Figure }) {
  return <Field label={label} inputMode="decimal" value={text} onChange={set} error={problem} />;
}
