import type { Measure, Units } from '@longbar/core';
import { readNumber, unitOf } from '@longbar/core';
import { useState } from 'react';
import type { Notation } from '../shared/notations';
import { OF_MEASURE, OF_TEMPERATURE, OF_TORQUE, PLAIN, THREADS } from '../shared/notations';
import { TypedField } from './TypedField';

type Props = {
  label: string;
  /** In full, where the label is short. */
  name?: string;
  hint?: string;
  value: number | undefined;
  /** Not a number where what is typed is none, so that the sheet's own check says so. */
  onChange: (value: number | undefined) => void;
  error?: string | undefined;
  /** Whether something is wrong that is said elsewhere. */
  mistaken?: boolean;
};

/** A figure typed as people write it; an empty field takes the figure out of the sheet. */
export function NumberField({ notation = PLAIN, ...props }: Props & { notation?: Notation }) {
  const { label, name = label, hint, value, onChange, error, mistaken = false } = props;
  const [text, setText] = useState(() => (isFigure(value) ? notation.show(value) : ''));
  const type = (typed: string) => {
    setText(typed);
    onChange(typed.trim() === '' ? undefined : notation.read(readNumber(typed) ?? NaN));
  };
  return (
    <TypedField
      {...{ label, name, error, mistaken }}
      {...(hint !== undefined && { hint })}
      inputMode="decimal"
      value={text}
      onChange={type}
    />
  );
}

/** Limits are of a measure: in the unit of it that the manual has, whole µm or mN·m inside. */
export function MeasureField(props: Props & { measure: Measure; units: Units }) {
  const { measure, units, ...field } = props;
  const unit = unitOf(measure, units);
  return <NumberField key={unit} {...field} {...named(field, unit)} notation={OF_MEASURE[unit]} />;
}

/** A length that is measured with a rule, whole µm inside. */
export function RuleField({ units, ...props }: Props & { units: Units }) {
  const unit = units.length === 'mm' ? 'mm' : 'in';
  return <NumberField key={unit} {...props} {...named(props, unit)} notation={OF_MEASURE[unit]} />;
}

/** How fine a thread is, as its standard has it: its pitch, or its threads in an inch; µm inside. */
export function PitchField({ units, ...props }: Props & { units: Units }) {
  if (units.length === 'mm') return <RuleField units={units} {...props} />;
  return <NumberField {...props} {...named(props, 'threads in an inch')} notation={THREADS} />;
}

/** A torque in the unit that the manual has, N·m inside. */
export function TorqueField({ units, ...props }: Props & { units: Units }) {
  const { torque } = units;
  return (
    <NumberField key={torque} {...props} {...named(props, torque)} notation={OF_TORQUE[torque]} />
  );
}

/** A temperature in the unit that the shop has first, °C inside. */
export function TemperatureField({ units, ...props }: Props & { units: Units }) {
  const { temperature } = units;
  return (
    <NumberField {...props} {...named(props, temperature)} notation={OF_TEMPERATURE[temperature]} />
  );
}

/** The unit stands behind the label; below the field where the label is short, for want of room. */
function named({ label, name }: Props, unit: string): Pick<Props, 'label' | 'name' | 'hint'> {
  if (name === undefined) return { label: `${label}, ${unit}` };
  return { label, name: `${name}, ${unit}`, hint: unit };
}

function isFigure(value: number | undefined | null): value is number {
  return typeof value === 'number' && !Number.isNaN(value);
}
