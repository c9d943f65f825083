import { describeEvent, formatDay, itemNames, localDay } from '@longbar/core';
import { Fragment } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { logLines } from './logLines';

const SHOWN = 12;
const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' });

/** What was done in this job, the latest first. */
export function JobLog({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const latest = logLines([...job.state.standing], localDay(new Date()), SHOWN);
  if (latest.length === 0) return null;
  const names = itemNames(job.setting.sheet, job.state);
  return (
    <View style={styles.log}>
      <Words as="strong">This job</Words>
      {latest.map(({ event, day }) => {
        const { what, detail } = describeEvent(event, names);
        return (
          <Fragment key={event.id}>
            {day !== undefined && (
              <Words as="note" style={styles.day}>
                {formatDay(day)}
              </Words>
            )}
            <View style={[styles.line, { borderColor: tokens.hair }]}>
              <Words as="note" color="secondInk" style={styles.time}>
                {time.format(new Date(event.at))}
              </Words>
              <Words as="note" style={styles.what}>
                {what}
              </Words>
              <Words as="note" color="secondInk" style={styles.detail}>
                {detail}
              </Words>
            </View>
          </Fragment>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  log: { marginTop: space.medium },
  line: {
    flexDirection: 'row',
    gap: space.small,
    paddingVertical: space.small,
    borderBottomWidth: 1,
  },
  day: { paddingTop: space.small },
  time: { width: 42 },
  what: { flexShrink: 0 },
  detail: { flex: 1, textAlign: 'right' },
});
