import type { Rotation } from '@longbar/core';
import { useState } from 'react';
import { Words } from '../../../ui/Words';
import { RotationChoice } from '../../shared/RotationChoice';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Turning = { sense?: Rotation['sense']; seenFrom: 'front' | 'rear' | 'flywheel' };

/** The sheet does not say which way the engine turns: a person who knows does. */
export function WhichWay({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const [{ sense, seenFrom }, choose] = useState<Turning>({ seenFrom: 'front' });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: sense ? `It turns ${sense}, seen from the ${seenFrom}` : 'Say which way it turns',
        disabled: !sense,
        onPress: () => sense && job.act({ type: 'rotation.stated', sense, seenFrom }),
      }}
    >
      <Words as="title">Which way does it turn?</Words>
      <Words>
        The sheet does not say. Look it up in the manual, or at an arrow cast on the engine: barring
        the wrong way leaves the backlash in the gears, and can break what only turns one way.
      </Words>
      <RotationChoice
        sense={sense}
        seenFrom={seenFrom}
        onChoose={(change) => choose((before) => ({ ...before, ...change }))}
      />
    </StepFrame>
  );
}
