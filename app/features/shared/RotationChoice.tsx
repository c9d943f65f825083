import type { Rotation } from '@longbar/core';
import { OneOf } from '../../ui/OneOf';
import { Words } from '../../ui/Words';

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
      <OneOf
        name="Seen from the"
        options={ENDS.map((each) => [each, each] as const)}
        inFull={(each) => `Seen from the ${each}`}
        chosen={ENDS.find((each) => each === seenFrom)}
        onChoose={(each) => onChoose({ seenFrom: each })}
      />
    </>
  );
}
