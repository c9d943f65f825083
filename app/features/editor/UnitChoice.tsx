import type { Units } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { OneOf } from '../../ui/OneOf';
import { space } from '../../theme/tokens';

export type UnitsProps = { units: Units; onUnits: (units: Units) => void };

/** In which units the manual gives its figures; torques are not asked about before there are any. */
export function UnitChoice({ units, onUnits, torques }: UnitsProps & { torques: boolean }) {
  return (
    <Stack gap={space.small}>
      <OneOf
        name="Unit of the figures"
        options={LENGTHS}
        chosen={units.length}
        onChoose={(length) => onUnits({ ...units, length })}
      />
      {torques && (
        <OneOf
          name="Unit of the torques"
          options={TORQUES}
          chosen={units.torque}
          onChoose={(torque) => onUnits({ ...units, torque })}
        />
      )}
    </Stack>
  );
}

const LENGTHS = [
  ['mm', 'Figures in mm'],
  ['thou', 'Figures in thou'],
] as const;

const TORQUES = [
  ['N·m', 'Torques in N·m'],
  ['lb·ft', 'Torques in lb·ft'],
] as const;
