import type { Stop } from '@longbar/core';
import {
  adjusterName,
  describeWatch,
  entryOf,
  formatInstant,
  formatSetting,
  isFinished,
  isRefused,
  measureOf,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { PrintHead, PrintPage } from '../../theme/PrintPage';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { crankAngle } from '../job/engine/jobCells';
import type { WorkingJob } from '../job/model/useJob';
import { useJob } from '../job/model/useJob';

/** The stops still to do, with blanks: for when the phone dies, and typed in afterwards. */
export function PaperScreen({ id }: { id: string }) {
  const { job, problem } = useJob(id);
  return (
    <PrintPage back="Back to the job" backTo={`/jobs/${id}`}>
      {job ? <Paper job={job} /> : <Words>{problem ?? 'Opening the job …'}</Words>}
    </PrintPage>
  );
}

function Paper({ job }: { job: WorkingJob }) {
  const { plan, state, setting, context } = job;
  if (isRefused(plan)) return <Words>{plan.refused}</Words>;
  const open = plan.stops
    .map((stop, place) => ({
      stop,
      place,
      ids: stop.set.map((each) => each.id).filter((id) => !isFinished(setting.sheet, state, id)),
    }))
    .filter(({ ids }) => ids.length > 0);
  const at = crankAngle(job);
  return (
    <View style={styles.page}>
      <PrintHead
        title={context.machineName}
        about={`${setting.sheet.name}, job begun ${formatInstant(setting.head.at)}`}
      />
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
      {open.map(({ stop, place, ids }) => (
        <PaperStop key={place} {...{ job, stop, place, ids }} />
      ))}
      <Words as="note">
        Found and left: what enters, what does not. Type them in at each adjuster afterwards.
      </Words>
    </View>
  );
}

type StopProps = { job: WorkingJob; stop: Stop; place: number; ids: readonly string[] };

function PaperStop({ job, stop, place, ids }: StopProps) {
  const tokens = useTokens();
  const { sheet } = job.setting;
  const where = stop.mark === undefined ? 'no mark' : `mark ${stop.mark}`;
  return (
    <View role="table" aria-label={`Stop ${place + 1}`}>
      <Words as="heading">
        Stop {place + 1}: {Math.round(stop.at)}°, {where}
        {place > 0 ? `, ${Math.round(stop.turn)}° on from the stop before` : ''}
      </Words>
      {stop.watch && <Words>{describeWatch(stop.watch)}</Words>}
      {ids.map((id) => {
        const entry = entryOf(sheet, id);
        const spec = entry?.spec;
        return (
          <View key={id} role="row" style={[styles.row, { borderColor: tokens.line }]}>
            <Words role="rowheader" as="strong" style={styles.name}>
              {adjusterName(id)}
            </Words>
            <Words role="cell" style={styles.spec}>
              {entry && spec ? formatSetting(measureOf(entry), spec.target) : ''}
            </Words>
            {['found', 'left', 'locked'].map((blank) => (
              <Words key={blank} role="cell" as="note" style={styles.blank}>
                {blank} ________
              </Words>
            ))}
          </View>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  page: { gap: space.medium },
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.small,
    borderBottomWidth: 1,
    paddingVertical: space.small,
    alignItems: 'baseline',
  },
  name: { width: 128 },
  spec: { width: 80 },
  blank: { flexGrow: 1 },
});
