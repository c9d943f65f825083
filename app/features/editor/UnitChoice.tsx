import { Choice } from '../../ui/Choice';
import { Row } from '../../ui/Panel';
import type { LengthUnit } from '@longbar/core';

type Props = { unit: LengthUnit; onUnit: (unit: LengthUnit) => void };

/** In which unit the manual gives its figures. */
export function UnitChoice({ unit, onUnit }: Props) {
  return (
    <Row>
      {(['mm', 'thou'] as const).map((each) => (
        <Choice
          key={each}
          label={`Figures in ${each}`}
          chosen={unit === each}
          onPress={() => onUnit(each)}
        />
      ))}
    </Row>
  );
}
