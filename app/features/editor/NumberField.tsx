import { formatMillimetres, fromThou, readNumber } from '@longbar/core';
import { useState } from 'react';
import { Field } from '../../theme/Field';
import type { LengthUnit } from './questionProps';

type Props = {
  label: string;
  value: number | undefined;
  /** Not a number where what is typed is none, so that the sheet's own check says so. */
  onChange: (value: number | undefined) => void;
  error?: string | undefined;
};

type Notation = { read: (figure: number) => number; show: (value: number) => string };
const PLAIN: Notation = { read: (figure) => figure, show: String };

/** A figure typed as people write it; an empty field takes the figure out of the sheet. */
export function NumberField({ notation = PLAIN, ...props }: Props & { notation?: Notation }) {
  const { label, value, onChange, error } = props;
  const [text, setText] = useState(() => (isFigure(value) ? notation.show(value) : ''));
  const type = (typed: string) => {
    setText(typed);
    onChange(typed.trim() === '' ? undefined : notation.read(readNumber(typed) ?? NaN));
  };
  return <Field label={label} inputMode="decimal" value={text} onChange={type} error={error} />;
}

/** A length in the unit in hand, whole µm inside. */
export function LengthField({ unit, label, ...props }: Props & { unit: LengthUnit }) {
  return (
    <NumberField key={unit} label={`${label}, ${unit}`} notation={NOTATIONS[unit]} {...props} />
  );
}

const NOTATIONS: Record<LengthUnit | 'N·m', Notation> = {
  mm: {
    read: (millimetres) => Math.round(millimetres * 1000),
    show: (length) => formatMillimetres(length).replaceAll(',', ''),
  },
  thou: { read: fromThou, show: (length) => String(Math.round(length / 2.54) / 10) },
  'N·m': { read: (torque) => Math.round(torque * 1000), show: (torque) => String(torque / 1000) },
};

/** A preload in N·m, whole mN·m inside. */
export function PreloadField({ label, ...props }: Props) {
  return <NumberField label={`${label}, N·m`} notation={NOTATIONS['N·m']} {...props} />;
}

function isFigure(value: number | undefined | null): value is number {
  return typeof value === 'number' && !Number.isNaN(value);
}
