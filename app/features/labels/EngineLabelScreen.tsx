import { Words } from '../../ui/Words';
import { useJob } from '../job/model/useJob';
import { EngineLabel } from './EngineLabel';
import { ENGINE_LABEL } from './labelFormats';
import { LabelPage } from './LabelPage';
import { useLabelChoices } from './useLabelChoices';

/** The small label that stays on the engine after a job: when, at what, to what, by whom. */
export function EngineLabelScreen({ id }: { id: string }) {
  const { job, problem } = useJob(id);
  const choices = useLabelChoices();
  const signed = job?.state.signed;
  return (
    <LabelPage
      title="Label for the engine"
      back="Back to the record"
      backTo={`/jobs/${id}/record`}
      choices={choices}
      format={ENGINE_LABEL}
      labels={job && signed ? [<EngineLabel key={id} job={job} />] : []}
    >
      {!job && <Words>{problem ?? 'Opening the record …'}</Words>}
      {job && !signed && (
        <Words as="strong">This job is not signed yet: there is nothing to say of it.</Words>
      )}
    </LabelPage>
  );
}
