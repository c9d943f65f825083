import type { BenchFigures, TorqueUnit } from '@longbar/core';
import { convertTorque, TORQUE_UNITS, torqueFormula } from '@longbar/core';
import { useState } from 'react';
import { Stack } from '../../../ui/Panel';
import { TwinScale } from '../drawings/TwinScale';
import { FigureField, useFigure } from '../figure';
import { Outcome } from '../Outcome';
import { otherTorqueUnit, shopTorque, torqueWords, UnitTiles } from './torqueUnits';

/** A torque in the three units that wrenches carry. */
export function TorqueSum({ figures }: { figures: BenchFigures }) {
  const [unit, setUnit] = useState<TorqueUnit>(shopTorque);
  const torque = useFigure('Torque', convertTorque(figures.torque ?? 45, 'N·m', unit));
  const value = torque.value !== undefined && torque.value > 0 ? torque.value : undefined;
  const others = TORQUE_UNITS.filter((each) => each !== unit);
  const beside = otherTorqueUnit(unit);
  return (
    <Stack>
      <FigureField of={torque} />
      <UnitTiles name="Unit of torque" units={TORQUE_UNITS} chosen={unit} onChoose={setUnit} />
      {value !== undefined && (
        <>
          <TwinScale
            above={{ unit, whole: value * 1.5 }}
            below={{ unit: beside, whole: convertTorque(value * 1.5, unit, beside) }}
            share={2 / 3}
            says={`${torqueWords(value, unit)} beside ${torqueWords(convertTorque(value, unit, beside), beside)}`}
          />
          {others.map((other) => (
            <Outcome
              key={other}
              figure={torqueWords(convertTorque(value, unit, other), other)}
              formula={torqueFormula(value, unit, other)}
            />
          ))}
        </>
      )}
    </Stack>
  );
}
