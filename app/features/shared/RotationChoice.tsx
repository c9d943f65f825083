import type { Rotation } from '@longbar/core';
import { Choice } from '../../ui/Choice';
import { OneOf } from '../../ui/OneOf';
import { Row } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { RadioGroup } from '../../ui/RadioGroup';

const SENSES = ['clockwise', 'counterclockwise'] as const;
const ENDS = ['front', 'rear', 'flywheel'] as const;

type Props = {
  sense: Rotation['sense'] | undefined;
  seenFrom: string | undefined;
  onChoose: (change: { sense: Rotation['sense'] } | { seenFrom: (typeof ENDS)[number] }) => void;
};

/** Which way an engine turns, and from which end that is seen. */
export function RotationChoice({ sense, seenFrom, onChoose }: Props) {
  return (
    <>
      <OneOf
        name="Which way it turns"
        options={SENSES.map((each) => [each, each] as const)}
        chosen={sense}
        onChoose={(each) => onChoose({ sense: each })}
      />
      <Words as="strong">Seen from the</Words>
      <RadioGroup name="Seen from the">
        <Row>
          {ENDS.map((each) => (
            <Choice
              key={each}
              label={each}
              name={`Seen from the ${each}`}
              chosen={seenFrom === each}
              onPress={() => onChoose({ seenFrom: each })}
            />
          ))}
        </Row>
      </RadioGroup>
    </>
  );
}
