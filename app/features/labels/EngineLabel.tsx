import { engineLabelWords } from '@longbar/core';
import { StyleSheet, Text, View } from 'react-native';
import { font } from '../../theme/fonts';
import type { WorkingJob } from '../job/model/workingJob';
import { pixels } from '../shared/paper';

/** What one reads at the engine before the cover comes off the next time. */
export function EngineLabel({ job }: { job: WorkingJob }) {
  const words = engineLabelWords(job.setting, job.state);
  if (!words) return null;
  return (
    <View style={styles.label}>
      <Text style={styles.machine}>{job.context.machineName}</Text>
      <Text style={styles.head}>{words.head}</Text>
      {words.lines.map((line) => (
        <Text key={line} style={styles.line}>
          {line}
        </Text>
      ))}
    </View>
  );
}

// Paper is white and its ink black, whatever the screen's theme.
const ink = { color: '#000000' };
const styles = StyleSheet.create({
  label: { padding: pixels(2.5), gap: pixels(0.5) },
  machine: { ...ink, fontFamily: font.textMedium, fontSize: 10, lineHeight: 12 },
  head: { ...ink, fontFamily: font.textStrong, fontSize: 15, lineHeight: 18 },
  line: { ...ink, fontFamily: font.textMedium, fontSize: 10, lineHeight: 12.5 },
});
