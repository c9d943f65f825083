import { hoursOf, lastRun, leaksOpenly, leftOutKinds, nextCheckWords } from '@longbar/core';
import { useRouter } from 'expo-router';
import { Act } from '../../../ui/Act';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { Leak } from './Leak';
import { Run } from './Run';
import { Sign } from './Sign';

/** How it ran, what is done about a leak, and the signature that closes the record. */
export function RunStep({ job, after }: StepProps) {
  if (job.state.signed) return <Signed job={job} after={after} />;
  if (!lastRun(job.state)) return <Run job={job} after={after} />;
  if (leaksOpenly(job.state)) return <Leak job={job} after={after} />;
  return <Sign job={job} after={after} />;
}

function Signed({ job, after }: Pick<StepProps, 'job' | 'after'>) {
  const router = useRouter();
  const { state, setting, context } = job;
  const { signed } = state;
  const leaks = lastRun(state)?.leaks === true;
  const record = () => router.replace(`/jobs/${setting.head.id}/record`);
  return (
    <StepFrame job={job} after={after} act={{ label: 'Open the record', onPress: record }}>
      <Words as="title">{signed?.incomplete ? 'Signed as incomplete' : 'Signed'}</Words>
      <Words>
        {signed?.incomplete
          ? `${signed.name} closed this job as incomplete. ${context.machineName} stays due.`
          : `${signed?.name} signed this job.`}
      </Words>
      {signed && !signed.incomplete && (
        <Words as="strong">
          Next check:{' '}
          {nextCheckWords({
            service: setting.sheet.service,
            hours: hoursOf(setting, state),
            at: signed.at,
            leftOut: leftOutKinds(setting.sheet, state.scope),
          })}
          .
        </Words>
      )}
      <Act
        label="Label for the engine"
        icon="print"
        onPress={() => router.push(`/jobs/${setting.head.id}/label`)}
      />
      {leaks && (
        <Words as="strong" color="stop">
          {leakWords(lastRun(state)?.note)} {state.exempted.leak?.reason}
        </Words>
      )}
    </StepFrame>
  );
}

/** Where it leaks may not have been said. */
function leakWords(where: string | undefined): string {
  return where ? `It still leaks: ${where}.` : 'It still leaks.';
}
