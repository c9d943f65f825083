import type { LengthUnit } from '@longbar/core';
import { formatMillimetres, fromThou, readNumber } from '@longbar/core';
import { useState } from 'react';
import { TypedField } from './TypedField';

type Props = {
  label: string;
  /** In full, where the label is short. */
  name?: string;
  value: number | undefined;
  /** Not a number where what is typed is none, so that the sheet's own check says so. */
  onChange: (value: number | undefined) => void;
  error?: string | undefined;
  /** Whether something is wrong that is said elsewhere. */
  mistaken?: boolean;
};

type Notation = { read: (figure: number) => number; show: (value: number) => string };
const PLAIN: Notation = { read: (figure) => figure, show: String };

/** A figure typed as people write it; an empty field takes the figure out of the sheet. */
export function NumberField({ notation = PLAIN, ...props }: Props & { notation?: Notation }) {
  const { label, name = label, value, onChange, error, mistaken = false } = props;
  const [text, setText] = useState(() => (isFigure(value) ? notation.show(value) : ''));
  const type = (typed: string) => {
    setText(typed);
    onChange(typed.trim() === '' ? undefined : notation.read(readNumber(typed) ?? NaN));
  };
  return (
    <TypedField
      {...{ label, name, error, mistaken }}
      inputMode="decimal"
      value={text}
      onChange={type}
    />
  );
}

/** A length in the unit in hand, whole µm inside. */
export function LengthField({ unit, ...props }: Props & { unit: LengthUnit }) {
  return <NumberField key={unit} {...props} {...named(props, unit)} notation={NOTATIONS[unit]} />;
}

/** The unit stands behind the label, or behind the full name where the label is short. */
function named({ label, name }: Props, unit: string): Pick<Props, 'label' | 'name'> {
  return name === undefined ? { label: `${label}, ${unit}` } : { label, name: `${name}, ${unit}` };
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
export function PreloadField(props: Props) {
  return <NumberField {...props} {...named(props, 'N·m')} notation={NOTATIONS['N·m']} />;
}

function isFigure(value: number | undefined | null): value is number {
  return typeof value === 'number' && !Number.isNaN(value);
}
