import { formatInstant, isFinished, isRefused } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../ui/Act';
import { Caution } from '../../ui/Caution';
import { PrintHead, PrintPage } from '../../ui/PrintPage';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { crankAngle } from '../job/engine/jobCells';
import type { WorkingJob } from '../job/model/workingJob';
import { useJob } from '../job/model/useJob';
import { FromPaper } from './FromPaper';
import type { OpenStop } from './PaperStop';
import { PaperStop } from './PaperStop';

/** The stops still to do, with blanks: for when the phone dies, and the form that types them in. */
export function PaperScreen({ id }: { id: string }) {
  const { job, problem } = useJob(id);
  const [typing, setTyping] = useState(false);
  return (
    <PrintPage back="Back to the job" backTo={`/jobs/${id}`}>
      {!job && <Words>{problem ?? 'Opening the job …'}</Words>}
      {job && !typing && <Paper job={job} onType={() => setTyping(true)} />}
      {job && typing && (
        <FromPaper job={job} stops={openStops(job)} onDone={() => setTyping(false)} />
      )}
    </PrintPage>
  );
}

/** The stops with what is not finished at each, in the order of the plan. */
function openStops({ plan, state, setting }: WorkingJob): OpenStop[] {
  if (isRefused(plan)) return [];
  return plan.stops
    .map((stop, place) => ({
      stop,
      place,
      ids: stop.set.map((each) => each.id).filter((id) => !isFinished(setting.sheet, state, id)),
    }))
    .filter(({ ids }) => ids.length > 0);
}

function Paper({ job, onType }: { job: WorkingJob; onType: () => void }) {
  const { plan, setting, context, rotation } = job;
  if (isRefused(plan)) return <Words>{plan.says}</Words>;
  const open = openStops(job);
  const at = crankAngle(job);
  const { sheet } = setting;
  return (
    <View style={styles.page}>
      <PrintHead
        title={context.machineName}
        about={`${sheet.name}, job begun ${formatInstant(setting.head.at)}`}
      />
      <Words as="strong">
        {rotation
          ? `Bar it ${rotation.sense}, seen from the ${rotation.seenFrom}. ${sheet.rotation?.reversible ? 'It may be turned back.' : 'Never backwards.'}`
          : 'Nobody has said which way it turns: find that out before it is barred.'}
      </Words>
      <Words>
        {at === undefined
          ? 'The crank’s position is not known: find it before anything is read.'
          : `The crank was last at about ${Math.round(at)}°.`}
      </Words>
      {job.says && (
        <Words as="strong">
          Next: {[job.says.what, job.says.detail].filter(Boolean).join('. ')}
        </Words>
      )}
      {open.length === 0 && <Words>Nothing is left to set.</Words>}
      {open.map((each) => (
        <PaperStop key={each.place} job={job} {...each} />
      ))}
      {(sheet.cautions ?? []).map((caution) => (
        <Caution key={caution}>{caution}</Caution>
      ))}
      <Words as="note">
        Found and left: what enters, what does not. Left blank means left as found.
      </Words>
      {open.length > 0 && <Act label="Type in what is on the paper" onPress={onType} />}
    </View>
  );
}

const styles = StyleSheet.create({ page: { gap: space.medium } });
