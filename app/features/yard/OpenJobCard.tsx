import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { radius, space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import type { OpenJobLine } from './openJobs';
import { Way } from '../../ui/Way';

/** The job in progress: one tap from where it was left. */
export function OpenJobCard({ job }: { job: OpenJobLine }) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const { stands } = job;
  const place = stands?.place ?? 1;
  const next = stands?.next ? `Next: ${stands.next}. ` : '';
  return (
    <Way
      to={`/jobs/${job.id}`}
      name={`Continue the job on ${job.machine}${stands ? `, ${stands.step}` : ''}`}
      style={[styles.card, { backgroundColor: tokens.enamel, borderColor: tokens.enamelInk }]}
    >
      <Words as="heading" color="onEnamel">
        {job.machine}: job open
      </Words>
      <Words color="onEnamel" style={width < WIDE && styles.twoLines}>
        {stands
          ? `${stands.step}. ${next}${stands.done} of ${stands.all} finished.`
          : 'Reading where it stands …'}
      </Words>
      <View style={styles.bar}>
        {Array.from({ length: stands?.of ?? 1 }, (_, i) => (
          <View
            key={i}
            style={[
              styles.segment,
              { backgroundColor: i < place ? tokens.dab : i === place ? HERE : TO_COME },
            ]}
          />
        ))}
      </View>
    </Way>
  );
}

/** The part of the bar one stands in, and those that follow. */
const [HERE, TO_COME] = ['#F08A3C', '#5F7E82'];

const styles = StyleSheet.create({
  card: { borderRadius: radius, borderWidth: 1, padding: space.large, gap: space.small },
  // What comes next is read a moment later: nothing below moves by it under a finger.
  twoLines: { minHeight: 44 },
  bar: { flexDirection: 'row', gap: 4, marginTop: 4 },
  segment: { flex: 1, height: 6, borderRadius: 3 },
});
