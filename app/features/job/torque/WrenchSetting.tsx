import {
  adapterFormula,
  adapterSetting,
  convertTorque,
  formatTorque,
  fromRuleUnit,
  inRuleUnit,
  isRefused,
  readNumber,
  ruleUnit,
  SIZES,
  unitsShown,
} from '@longbar/core';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import type { Preferences } from '../../../state/preferences';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';

type Adapter = NonNullable<Preferences['adapter']>;

/**
 * What the wrench is set to for a torque at the nut, N·m: the torque itself, or less with an
 * adapter that lengthens the wrench. The adapter stays in hand from one nut to the next.
 */
export function WrenchSetting({ torque }: { torque: number }) {
  const adapter = useAppSelector((state) => state.preferences.adapter);
  return (
    <Stack gap={space.small}>
      <Setting torque={torque} adapter={adapter} />
      <AdapterForm adapter={adapter} />
    </Stack>
  );
}

function Setting({ torque, adapter }: { torque: number; adapter: Adapter | null }) {
  if (!adapter) return <Words as="title">Wrench at {formatTorque(torque)}</Words>;
  const answer = adapterSetting({ torque, ...adapter });
  if (isRefused(answer)) {
    return (
      <Words as="strong" color="stop" role="alert">
        {answer.says}
      </Words>
    );
  }
  return (
    <Stack gap={space.hair}>
      <Words as="title">Wrench at {formatTorque(answer.setting)}</Words>
      <Words as="note" color="secondInk">
        {formulaOf(torque, adapter)}, so that the nut gets {formatTorque(torque)}.
      </Words>
    </Stack>
  );
}

/** The sum in the units of the shop, by which it is held against the wrench. */
function formulaOf(torque: number, { wrench, adapter, angle }: Adapter): string | undefined {
  const unit = unitsShown().torque;
  const sum = { torque: convertTorque(torque, 'N·m', unit), angle };
  return adapterFormula({ ...sum, wrench: asTyped(wrench), adapter: asTyped(adapter) }, unit);
}

/** A length that is kept in mm, in the unit of a rule. */
const asTyped = (length: number) => inRuleUnit(length * SIZES.mm);
const kept = (typed: number) => fromRuleUnit(typed) / SIZES.mm;
const plain = new Intl.NumberFormat('en', { maximumFractionDigits: 2, useGrouping: false });

const FIELDS = ['wrench', 'adapter', 'angle'] as const;

const labels = (): Record<keyof Adapter, string> => ({
  wrench: `Wrench, drive to hand, ${ruleUnit()}`,
  adapter: `Adapter, drive to nut, ${ruleUnit()}`,
  angle: 'Angle between them, °',
});

function AdapterForm({ adapter }: { adapter: Adapter | null }) {
  const dispatch = useDispatch();
  const [typed, setTyped] = useState<Record<keyof Adapter, string>>();
  const keep = (next: Adapter | null) => dispatch(preferencesChanged({ adapter: next }));
  if (!typed) {
    return (
      <Act
        label={adapter ? 'Another torque adapter, or none' : 'With a torque adapter'}
        onPress={() =>
          setTyped({
            wrench: adapter ? plain.format(asTyped(adapter.wrench)) : '',
            adapter: adapter ? plain.format(asTyped(adapter.adapter)) : '',
            angle: String(adapter?.angle ?? 0),
          })
        }
      />
    );
  }
  const change = (next: Record<keyof Adapter, string>) => {
    setTyped(next);
    const [wrench = 0, length = 0, angle] = FIELDS.map((key) => readNumber(next[key]));
    keep(
      wrench > 0 && length > 0 && angle !== undefined
        ? { wrench: kept(wrench), adapter: kept(length), angle }
        : null,
    );
  };
  return (
    <Stack>
      {FIELDS.map((key) => (
        <Field
          key={key}
          label={labels()[key]}
          inputMode="decimal"
          value={typed[key]}
          onChange={(text) => change({ ...typed, [key]: text })}
        />
      ))}
      {!adapter && (
        <Words as="note">Give both lengths; 0° is straight on, 90° changes nothing.</Words>
      )}
      <Act
        label="No adapter after all"
        onPress={() => {
          setTyped(undefined);
          keep(null);
        }}
      />
    </Stack>
  );
}
