import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { Act } from '../../../theme/Act';
import { Field } from '../../../theme/Field';
import { Icon } from '../../../theme/Icon';
import { Row, Spread, Stack } from '../../../theme/Panel';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../theme/Words';
import { UnsentNote } from '../../frame/UnsentNote';
import type { WorkingJob } from '../model/useJob';

type Props = { job: WorkingJob; viewed: number; onView: (place: number) => void };

/** Whose engine this is, the step in words, and the way through all steps. */
export function JobHeader({ job, viewed, onView }: Props) {
  const tokens = useTokens();
  const router = useRouter();
  const [handing, setHanding] = useState(false);
  const step = job.steps[viewed];
  return (
    <View style={styles.header}>
      <Spread style={styles.top}>
        <View style={styles.titles}>
          <Words as="heading" numberOfLines={1}>
            {job.context.machineName}
          </Words>
          <Words as="note" color="secondInk">
            {viewed === job.present ? '' : 'Looking at: '}
            {step?.title} · step {viewed + 1} of {job.steps.length}
          </Words>
        </View>
        <UnsentNote />
        {!job.state.signed && (
          <Act
            label={job.by}
            name={`${job.by} works. Hand over to another`}
            style={styles.by}
            onPress={() => setHanding(!handing)}
          />
        )}
        <Pressable
          role="button"
          aria-label="Leave the job; nothing is lost"
          onPress={() => (router.canGoBack() ? router.back() : router.replace('/'))}
          style={styles.leave}
        >
          <Icon name="close" color={tokens.ink} />
        </Pressable>
      </Spread>
      {handing && <HandOver job={job} onDone={() => setHanding(false)} />}
      <StepBar {...{ job, viewed, onView }} />
    </View>
  );
}

/** Another person carries on: recorded, and from here on in their name. */
function HandOver({ job, onDone }: { job: WorkingJob; onDone: () => void }) {
  const dispatch = useDispatch();
  const router = useRouter();
  const [to, setTo] = useState('');
  const hand = () => {
    job.act({ type: 'job.handed', to: to.trim() });
    dispatch(preferencesChanged({ name: to.trim() }));
    onDone();
  };
  return (
    <Stack style={styles.handing}>
      <Field label="Who carries on" value={to} onChange={setTo} autoFocus />
      <Row>
        <Act label="Close" style={styles.grow} onPress={onDone} />
        <Act
          label="Hand over"
          disabled={to.trim() === '' || to.trim() === job.by}
          style={styles.grow}
          onPress={hand}
        />
      </Row>
      <Act
        label="Helper’s view: you turn, under the machine"
        icon="hand"
        onPress={() => router.push(`/jobs/${job.setting.head.id}/helper`)}
      />
      <Act
        label="The rest on paper, with blanks"
        icon="print"
        onPress={() => router.push(`/jobs/${job.setting.head.id}/paper`)}
      />
    </Stack>
  );
}

function StepBar({ job, viewed, onView }: Props) {
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
  by: { minHeight: 44, paddingVertical: 4, paddingHorizontal: 10, maxWidth: 110 },
  handing: { paddingVertical: space.small },
  grow: { flex: 1 },
  header: { paddingHorizontal: space.large, paddingTop: space.medium },
  top: { alignItems: 'center', flexWrap: 'nowrap' },
  titles: { flex: 1 },
  leave: {
    width: 48,
    height: 48,
    alignItems: 'center',
    justifyContent: 'center',
    marginRight: -12,
  },
  bar: { flexDirection: 'row', gap: 4, marginTop: 2 },
  segment: { flex: 1, height: 28, justifyContent: 'center' },
  fill: { borderRadius: 5 },
});
