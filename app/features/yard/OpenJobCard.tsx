import { StyleSheet, View } from 'react-native';
import { radius, space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import type { OpenJobLine } from './openJobs';
import { Way } from '../../ui/Way';

/** The job in progress: one tap from where it was left. */
export function OpenJobCard({ job }: { job: OpenJobLine }) {
  const tokens = useTokens();
  const next = job.next ? `Next: ${job.next}. ` : '';
  return (
    <Way
      to={`/jobs/${job.id}`}
      name={`Continue the job on ${job.machine}, ${job.step}`}
      style={[styles.card, { backgroundColor: tokens.enamel, borderColor: tokens.enamelInk }]}
    >
      <Words as="heading" color="onEnamel">
        {job.machine}: job open
      </Words>
      <Words color="onEnamel">
        {job.step}. {next}
        {job.done} of {job.all} set.
      </Words>
      <View style={styles.bar}>
        {Array.from({ length: job.of }, (_, i) => (
          <View
            key={i}
            style={[
              styles.segment,
              {
                backgroundColor:
                  i < job.place ? tokens.dab : i === job.place ? '#F08A3C' : '#5F7E82',
              },
            ]}
          />
        ))}
      </View>
    </Way>
  );
}

const styles = StyleSheet.create({
  card: { borderRadius: radius, borderWidth: 1, padding: space.large, gap: space.small },
  bar: { flexDirection: 'row', gap: 4, marginTop: 4 },
  segment: { flex: 1, height: 6, borderRadius: 3 },
});
