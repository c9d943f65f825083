import type { AdjusterEntry, AdjusterState } from '@longbar/core';
import {
  adjusterName,
  describeLock,
  describeReading,
  describeShim,
  describeUnset,
  formatFigure,
  judgeReading,
  measureOf,
  seatingOf,
  unitOf,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import type { WorkingJob } from '../job/model/useJob';

/** Every adjuster from the front: limits, as found, what was done, as left. */
export function RecordTable({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const adjusters = seatingOf(job.setting.sheet).flatMap((bank) =>
    bank.cylinders.flatMap((seated) => seated.adjusters),
  );
  return (
    <View role="table" aria-label="Readings">
      <View role="row" style={[styles.row, { borderColor: tokens.ink }]}>
        {['Adjuster', 'Limits', 'As found', 'As left', 'Done'].map((title, i) => (
          <Words key={title} as="label" role="columnheader" color="secondInk" style={COLUMNS[i]}>
            {title}
          </Words>
        ))}
      </View>
      {adjusters.map(({ id, entry }) => (
        <AdjusterRow key={id} id={id} entry={entry} state={job.state.adjusters[id]} />
      ))}
      <Words as="note" color="secondInk" style={styles.legend}>
        mm unless said; a–b: a entered, b did not. ▲ loose, ▼ tight, as found.
      </Words>
    </View>
  );
}

type RowProps = { id: string; entry: AdjusterEntry; state: AdjusterState | undefined };

function AdjusterRow({ id, entry, state = {} }: RowProps) {
  const tokens = useTokens();
  const { spec } = entry;
  const { found, left, kept, again } = state;
  const measure = measureOf(entry);
  const verdict =
    spec && found ? judgeReading(spec, found, 'leave-inside', measure).verdict : undefined;
  const sign = verdict === 'tight' ? ' ▼' : verdict === 'loose' ? ' ▲' : '';
  const end = left ?? (kept ? found : undefined);
  const figure = (value: number) => formatFigure(measure, value);
  const unit = measure === 'preload' ? ` ${unitOf(measure)}` : '';
  const cells = [
    adjusterName(id),
    spec ? `${figure(spec.low)}–${figure(spec.high)}${unit}` : '',
    found ? describeReading(found) + sign : 'not read',
    [end ? describeReading(end) : 'not set', again && `again ${describeReading(again)}`]
      .filter(Boolean)
      .join('\n'),
    doneWords(state),
  ];
  return (
    <View role="row" style={[styles.row, { borderColor: tokens.hair }]}>
      {cells.map((text, i) => (
        <Words
          key={i}
          as={i === 0 ? 'strong' : 'note'}
          role="cell"
          color={i === 2 && sign ? 'act' : 'ink'}
          style={COLUMNS[i]}
        >
          {text}
        </Words>
      ))}
    </View>
  );
}

/** What was done to it, or why nothing could be. */
function doneWords({ locked, kept, unset, shim, fitted, doubted }: AdjusterState): string {
  const words = [
    unset && describeUnset(unset),
    locked && describeLock(locked),
    typeof fitted === 'number' && shim !== undefined
      ? `${describeShim(shim)} out, ${describeShim(fitted)} in`
      : shim !== undefined && `${describeShim(shim)} stays`,
    kept && shim === undefined && 'not touched',
    doubted && 'doubted, not read again',
  ];
  return words.filter(Boolean).join('; ');
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    borderBottomWidth: 1,
    paddingVertical: 7,
    gap: space.small,
    alignItems: 'center',
  },
  wide: { flex: 1.35 },
  narrow: { flex: 1 },
  done: { flex: 1.25 },
  legend: { marginTop: space.small },
});

const COLUMNS = [styles.wide, styles.narrow, styles.narrow, styles.narrow, styles.done];
