import { formatInstant, isolationsOf } from '@longbar/core';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { TickRow } from '../../../theme/TickRow';
import { Words } from '../../../theme/Words';
import { StepFrame } from '../StepFrame';
import type { StepProps } from '../stepProps';

/** Able to start again: bar and pins out first, then every isolation undone. */
export function AbleStep({ job, after }: StepProps) {
  const { barOut, isolations, undone } = job.state;
  if (!barOut) {
    return (
      <StepFrame
        job={job}
        after={after}
        primary={
          <Act
            weight="stop"
            label="Bar and pins are out of the engine"
            onPress={() => job.act({ type: 'bar.out' })}
          />
        }
      >
        <Words as="title">Bar out first</Words>
        <Caution>
          A bar or pin left on the crank is thrown when the engine turns. Take it in your hand
          before you tap below.
        </Caution>
        <Words>Nothing else is offered until it is out.</Words>
      </StepFrame>
    );
  }
  return (
    <StepFrame job={job} after={after}>
      <Words as="heading">Make it able to start</Words>
      <Caution>
        Everyone says clear and takes their own lock off. Nobody at the rocker gear.
      </Caution>
      {isolationsOf(job.setting.sheet)
        .filter(({ id }) => isolations[id]?.exempt === undefined)
        .map(({ id, undo }) => {
          const done = undone[id];
          return (
            <TickRow
              key={id}
              text={undo}
              done={done !== undefined}
              {...(done && { note: `${done.by}, ${formatInstant(done.at)}` })}
              onPress={() => job.act({ type: 'isolation.undone', isolation: id })}
            />
          );
        })}
    </StepFrame>
  );
}
