import { lastRun } from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import { Reason } from '../frame/Reason';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

/** It leaks: mended and run again, or left so with a reason that stands in the record. */
export function Leak({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const run = lastRun(job.state);
  const mended = () =>
    job.act({
      type: 'run.noted',
      ran: true,
      leaks: false,
      ...(run?.symptomGone !== undefined && { symptomGone: run.symptomGone }),
      note: 'leak mended, run again',
    });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{ label: 'Mended, run again, no leaks', onPress: mended }}
    >
      <Words as="title">It leaks</Words>
      <Words as="strong" color="stop">
        {run?.note}
      </Words>
      <Caution>
        Shut it down first. Before hands go in: make it unable to start again, and let hot oil and
        metal cool. A leaking fuel line sprays through skin; no hand feels for it.
      </Caution>
      <Reason
        label="Left leaking: why, and who sees to it"
        given={undefined}
        onGive={(reason) => job.act({ type: 'gate.exempted', gate: 'leak', reason })}
      />
    </StepFrame>
  );
}
