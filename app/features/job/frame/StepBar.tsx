import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useTokens } from '../../../theme/ThemeProvider';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; viewed: number; onView: (place: number) => void };

/** The way through the steps, a segment each: any of them can be looked at. */
export function StepBar({ job, viewed, onView }: Props) {
  return (
    <View style={styles.bar} role="group" aria-label="Steps of the job">
      {job.steps.map((step, i) => {
        const done = step.missing.length === 0 && i < job.present;
        const word = i === job.present ? 'now' : done ? 'done' : 'ahead';
        return (
          <Segment
            key={step.title}
            place={i}
            title={step.title}
            word={word}
            viewed={i === viewed}
            onView={onView}
          />
        );
      })}
    </View>
  );
}

type SegmentProps = {
  place: number;
  title: string;
  word: 'now' | 'done' | 'ahead';
  viewed: boolean;
  onView: (place: number) => void;
};

const Segment = memo(function Segment({ place, title, word, viewed, onView }: SegmentProps) {
  const tokens = useTokens();
  const colour = { now: tokens.act, done: tokens.dab, ahead: tokens.line }[word];
  return (
    <Pressable
      role="button"
      aria-label={`Step ${place + 1}: ${title}, ${word}`}
      aria-current={viewed ? 'step' : undefined}
      onPress={() => onView(place)}
      style={styles.segment}
    >
      <View style={[styles.fill, { backgroundColor: colour, height: viewed ? 10 : 6 }]} />
    </Pressable>
  );
});

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', gap: 4, marginTop: 2 },
  segment: { flex: 1, height: 28, justifyContent: 'center' },
  fill: { borderRadius: 5 },
});
