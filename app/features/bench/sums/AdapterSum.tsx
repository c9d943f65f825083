import type { BenchFigures, TorqueUnit } from '@longbar/core';
import {
  adapterFormula,
  adapterSetting,
  convertTorque,
  inRuleUnit,
  isRefused,
  ruleUnit,
  SIZES,
  TORQUE_UNITS,
} from '@longbar/core';
import { useState } from 'react';
import { useAppSelector } from '../../../state/store';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { AdapterOnWrench } from '../drawings/AdapterOnWrench';
import { FigureField, plainFigure, useFigure } from '../figure';
import { Outcome } from '../Outcome';
import { otherTorqueUnit, shopTorque, torqueWords, UnitTiles } from './torqueUnits';

/** What the wrench is set to, with an adapter at any angle to it. */
export function AdapterSum({ figures }: { figures: BenchFigures }) {
  const kept = useAppSelector((state) => state.preferences.adapter);
  const [unit, setUnit] = useState<TorqueUnit>(shopTorque);
  const torque = useFigure('Wanted at the nut', convertTorque(figures.torque ?? 45, 'N·m', unit));
  // Both in the unit of a rule: only how they stand to each other counts.
  const rule = ruleUnit();
  const wrench = useFigure(
    `Wrench, drive to hand, ${rule}`,
    inRuleUnit((kept?.wrench ?? 400) * SIZES.mm),
  );
  const adapter = useFigure(
    `Adapter, drive to nut, ${rule}`,
    inRuleUnit((kept?.adapter ?? 60) * SIZES.mm),
  );
  const angle = useFigure('Angle between them, °', kept?.angle ?? 0);
  const sum = {
    torque: torque.value ?? NaN,
    wrench: wrench.value ?? NaN,
    adapter: adapter.value ?? NaN,
    angle: angle.value ?? NaN,
  };
  const whole = Object.values(sum).every(Number.isFinite) && sum.adapter >= 0;
  const answer = whole ? adapterSetting(sum) : undefined;
  const other = otherTorqueUnit(unit);
  // The torque at the nut stays what it is, whatever unit it is told in.
  const tellIn = (next: TorqueUnit) => {
    if (torque.value !== undefined) {
      torque.set(plainFigure(convertTorque(torque.value, unit, next)));
    }
    setUnit(next);
  };
  return (
    <Stack>
      <FigureField of={torque} />
      <UnitTiles name="Unit of torque" units={TORQUE_UNITS} chosen={unit} onChoose={tellIn} />
      <FigureField of={wrench} />
      <FigureField of={adapter} />
      <FigureField of={angle} />
      {answer && <AdapterOnWrench {...sum} />}
      {answer && isRefused(answer) && (
        <Words as="strong" color="stop" role="alert">
          {answer.says}
        </Words>
      )}
      {answer && 'setting' in answer && (
        <Outcome
          figure={`Wrench at ${torqueWords(answer.setting, unit)}`}
          also={torqueWords(convertTorque(answer.setting, unit, other), other)}
          formula={adapterFormula(sum, unit)}
        />
      )}
      <Words as="note" color="secondInk">
        0° is straight on and asks for less, 90° changes nothing, beyond it the adapter points back
        and the wrench is set higher. Hold the wrench at the middle of its grip: L ends there.
      </Words>
    </Stack>
  );
}
