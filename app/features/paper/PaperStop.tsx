import type { PaperBlank, Stop } from '@longbar/core';
import {
  adjusterName,
  describeFeel,
  describeWatch,
  entryAtWork,
  entryOf,
  formatFigure,
  formatSetting,
  measureOf,
  paperBlanks,
  paperWord,
  policyOf,
  rockersToFeel,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';

/** A stop of the plan with what is not finished there. */
export type OpenStop = { stop: Stop; place: number; ids: readonly string[] };

/** A stop on paper: where it is, what the rockers must do there, and a line for each adjuster. */
export function PaperStop({ job, stop, place, ids }: OpenStop & { job: WorkingJob }) {
  const tokens = useTokens();
  const { sheet } = job.setting;
  const blanks = (id: string) => {
    const entry = entryOf(sheet, id);
    if (!entry) return [];
    return blanksAt(job, id).map((blank) => `${paperWord(blank, entry)} ${LINES[blank]}`);
  };
  return (
    <View role="table" aria-label={`Stop ${place + 1}`}>
      <Words as="heading">{stopTitle({ stop, place })}</Words>
      {stop.watch && <Words>{describeWatch(stop.watch)}</Words>}
      <Words>There: {describeFeel(rockersToFeel(sheet, stop.at))}</Words>
      {ids.map((id) => (
        <View key={id} role="row" style={[styles.row, { borderColor: tokens.line }]}>
          <Words role="rowheader" as="strong" style={styles.name}>
            {adjusterName(id)}
          </Words>
          <Words role="cell" style={styles.spec}>
            {limitsOf(entryAtWork(job.setting, job.state, id))}
          </Words>
          {blanks(id).map((words) => (
            <Words key={words} role="cell" as="note" style={styles.blank}>
              {words}
            </Words>
          ))}
        </View>
      ))}
    </View>
  );
}

/** What the paper leaves blank for an adjuster as the job stands. */
export function blanksAt({ setting, state }: WorkingJob, id: string): PaperBlank[] {
  const entry = entryOf(setting.sheet, id);
  return entry ? paperBlanks(entry, policyOf(setting, state), state.adjusters[id]) : [];
}

/** Figures are written out, and what was done is ticked. */
const [FIGURE, TICK] = ['________', '____'];
const LINES = { found: FIGURE, shim: FIGURE, left: FIGURE, locked: TICK, done: TICK } as const;

/** Which stop it is, where, and how far on from the one before. */
export function stopTitle({ stop, place }: Pick<OpenStop, 'stop' | 'place'>): string {
  const where = stop.mark === undefined ? 'no mark' : `mark ${stop.mark}`;
  const on = place > 0 ? `, ${Math.round(stop.turn)}° on from the stop before` : '';
  return `Stop ${place + 1}: ${Math.round(stop.at)}°, ${where}${on}`;
}

/** The maker's target of an adjuster and its limits, with the unit; and what it is aimed at instead. */
export function limitsOf(entry: ReturnType<typeof entryAtWork>): string {
  if (!entry?.spec) return '';
  const { low, target, high, aim } = entry.spec;
  const measure = measureOf(entry);
  const limits = `${formatFigure(measure, low)} to ${formatFigure(measure, high)}`;
  const aimed = aim === undefined ? '' : `, aim at ${formatSetting(measure, aim)} by its drift`;
  return `${formatSetting(measure, target)} (${limits})${aimed}`;
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.small,
    borderBottomWidth: 1,
    paddingVertical: space.small,
    alignItems: 'baseline',
  },
  name: { width: 112 },
  spec: { width: 190 },
  blank: { flexGrow: 1 },
});
