import { UnitsSchema } from '@longbar/core';
import { View } from 'react-native';
import * as v from 'valibot';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
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
          <View key={key} role="radiogroup" aria-label={title}>
            <Row>
              {choices.map((unit) => (
                <Choice
                  key={unit}
                  label={`${unit} first`}
                  chosen={units[key] === unit}
                  onPress={() =>
                    onChange({ units: v.parse(UnitsSchema, { ...units, [key]: unit }) })
                  }
                />
              ))}
            </Row>
          </View>
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
