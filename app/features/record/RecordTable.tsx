import type { AdjusterState, Spec } from '@longbar/core';
import {
  adjusterName,
  describeLock,
  describeReading,
  formatMillimetres,
  judgeReading,
  seatingOf,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import type { WorkingJob } from '../job/useJob';

/** Every adjuster from the front: limits, as found, what was done, as left. */
export function RecordTable({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const adjusters = seatingOf(job.setting.sheet).flatMap((bank) =>
    bank.cylinders.flatMap((seated) => seated.adjusters),
  );
  return (
    <View role="table" aria-label="Readings in mm">
      <View role="row" style={[styles.row, { borderColor: tokens.ink }]}>
        {['Adjuster', 'Limits', 'As found', 'As left', 'Nut'].map((title, i) => (
          <Words key={title} as="label" role="columnheader" color="secondInk" style={COLUMNS[i]}>
            {title}
          </Words>
        ))}
      </View>
      {adjusters.map(({ id, entry }) => (
        <AdjusterRow key={id} id={id} spec={entry.spec} state={job.state.adjusters[id]} />
      ))}
      <Words as="note" color="secondInk" style={styles.legend}>
        mm; a–b: a entered, b did not. ▲ loose, ▼ tight, as found.
      </Words>
    </View>
  );
}

type RowProps = { id: string; spec: Spec | undefined; state: AdjusterState | undefined };

function AdjusterRow({ id, spec, state = {} }: RowProps) {
  const tokens = useTokens();
  const { found, left, kept, locked, again } = state;
  const verdict = spec && found ? judgeReading(spec, found, 'leave-inside').verdict : undefined;
  const sign = verdict === 'tight' ? ' ▼' : verdict === 'loose' ? ' ▲' : '';
  const end = left ?? (kept ? found : undefined);
  const cells = [
    adjusterName(id),
    spec ? `${formatMillimetres(spec.low)}–${formatMillimetres(spec.high)}` : '',
    found ? describeReading(found) + sign : 'not read',
    [end ? describeReading(end) : 'not set', again && `again ${describeReading(again)}`]
      .filter(Boolean)
      .join('\n'),
    locked ? describeLock(locked) : kept ? 'not touched' : '',
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
  legend: { marginTop: space.small },
});

const COLUMNS = [styles.wide, styles.narrow, styles.narrow, styles.narrow, styles.narrow];
