import { UnitsSchema } from '@longbar/core';
import * as v from 'valibot';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { Select } from '../../ui/Select';
import { Words } from '../../ui/Words';
import { space } from '../../theme/tokens';
import type { ShopBasics } from './shopDraft';

type Props = { basics: ShopBasics; onChange: (next: Partial<ShopBasics>) => void };

const UNITS = [
  ['length', 'Lengths', ['mm', 'thou']],
  ['torque', 'Torques', ['N·m', 'lb·ft']],
  ['temperature', 'Temperatures', ['°C', '°F']],
] as const;

/** What a shop says of itself: its name, where it is, its units and its clock. */
export function ShopBasicsFields({ basics, onChange }: Props) {
  const { name, address, units, timeZone } = basics;
  return (
    <Stack>
      <Field label="Name of the shop" value={name} onChange={(text) => onChange({ name: text })} />
      <Field
        label="Address, for what is printed"
        value={address}
        onChange={(text) => onChange({ address: text })}
        multiline
      />
      <Stack gap={space.small}>
        <Words as="strong">Which unit first? Where one is enough, it is that one.</Words>
        {UNITS.map(([key, title, choices]) => (
          <OneOf
            key={key}
            name={title}
            options={choices.map((unit) => [unit, `${unit} first`] as const)}
            chosen={units[key]}
            onChoose={(unit) =>
              onChange({ units: v.parse(UnitsSchema, { ...units, [key]: unit }) })
            }
          />
        ))}
      </Stack>
      <Select
        label="Time zone of the shop"
        value={timeZone}
        options={Intl.supportedValuesOf('timeZone')}
        onChange={(zone) => onChange({ timeZone: zone })}
      />
    </Stack>
  );
}
