import type { TorqueUnit } from '@longbar/core';
import { unitsShown } from '@longbar/core';
import { OneOf } from '../../../ui/OneOf';

/** The unit of torque that the shop works in. */
export function shopTorque(): TorqueUnit {
  return unitsShown().torque;
}

/** The unit that a torque is told in beside its own. */
export function otherTorqueUnit(unit: TorqueUnit): TorqueUnit {
  return unit === 'N·m' ? 'lb·ft' : 'N·m';
}

const figure = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

export function torqueWords(value: number, unit: TorqueUnit): string {
  return `${figure.format(value)} ${unit}`;
}

type Props<U extends string> = {
  name: string;
  units: readonly U[];
  chosen: U;
  onChoose: (unit: U) => void;
};

/** One unit of a few, beside each other. */
export function UnitTiles<U extends string>({ name, units, chosen, onChoose }: Props<U>) {
  return (
    <OneOf {...{ name, chosen, onChoose }} options={units.map((unit) => [unit, unit] as const)} />
  );
}
