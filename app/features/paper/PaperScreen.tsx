import type { PaperBlank } from '@longbar/core';
import { formatInstant, isFinished, isRefused, missingTag } from '@longbar/core';
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
import { temperatureWords } from '../shared/temperatureWords';
import { FromPaper } from './FromPaper';
import type { OpenStop } from './PaperStop';
import { blanksAt, PaperStop } from './PaperStop';

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
  const blanks = open.flatMap(({ ids }) => ids.flatMap((id) => blanksAt(job, id)));
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
      {sheet.temperature && <Words>{temperatureWords(sheet.temperature)}</Words>}
      {missingTag(sheet, job.state).length > 0 && (
        <Caution>
          Its data tag is not read yet, and figures go by it. Read it, and print this once more.
        </Caution>
      )}
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
      <Words as="note">{legend(new Set(blanks))}</Words>
      {open.length > 0 && <Act label="Type in what is on the paper" onPress={onType} />}
    </View>
  );
}

/** How the blanks are filled in. */
function legend(blanks: ReadonlySet<PaperBlank>): string {
  const read = [blanks.has('found') && 'found', blanks.has('left') && 'left'].filter(Boolean);
  const lines = [
    read.length > 0 && `Beside ${read.join(' and ')}: what enters, what does not.`,
    read.length > 1 && 'Left blank means left as found.',
    blanks.has('shim') &&
      'Shim in it: in mm, by its mark or a micrometer. Which shim goes where is worked out on the screen.',
  ];
  return lines.filter(Boolean).join(' ');
}

const styles = StyleSheet.create({ page: { gap: space.medium } });
