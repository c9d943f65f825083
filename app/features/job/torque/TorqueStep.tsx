import { Caution } from '../../../ui/Caution';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { useTorqueRun } from './useTorqueRun';

/** Torque first: what is run down before any lash is read. */
export function TorqueStep({ job, after }: StepProps) {
  const run = useTorqueRun(job, 'first');
  if (!run) {
    return (
      <StepFrame job={job} after={after}>
        <Words as="heading">Torque first</Words>
        <Words>Everything is run down. Lash after that, never before.</Words>
      </StepFrame>
    );
  }
  return (
    <StepFrame job={job} after={after} act={run.act}>
      {run.body}
      <Caution>
        Bolts tightened to yield are not run down again unless the manual says so. Lash comes after
        this, never before.
      </Caution>
    </StepFrame>
  );
}
