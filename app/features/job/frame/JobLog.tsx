import { describeEvent, itemNames } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';

const SHOWN = 12;
const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short' });

/** What was done in this job, the latest first. */
export function JobLog({ job }: { job: WorkingJob }) {
  const tokens = useTokens();
  const latest = [...job.state.standing].reverse().slice(0, SHOWN);
  if (latest.length === 0) return null;
  const names = itemNames(job.setting.sheet, job.state);
  return (
    <View style={styles.log}>
      <Words as="strong">This job</Words>
      {latest.map((event) => {
        const { what, detail } = describeEvent(event, names);
        return (
          <View key={event.id} style={[styles.line, { borderColor: tokens.hair }]}>
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
  time: { width: 42 },
  what: { flexShrink: 0 },
  detail: { flex: 1, textAlign: 'right' },
});
