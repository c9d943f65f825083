import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Icon } from '../../../ui/Icon';
import { Spread } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { usePractising } from '../../shared/practising';
import { UnsentNote } from '../../unsent/UnsentNote';
import type { WorkingJob } from '../model/workingJob';
import { JobMenu } from './JobMenu';
import { StepBar } from './StepBar';

type Props = {
  job: WorkingJob;
  viewed: number;
  onView: (place: number) => void;
  onHandsFull: () => void;
};

/** Whose engine this is, the step in words, and the way through all steps. */
export function JobHeader({ job, viewed, onView, onHandsFull }: Props) {
  const tokens = useTokens();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const practising = usePractising();
  const leave = () => (router.canGoBack() ? router.back() : router.replace('/'));
  const step = job.steps[viewed];
  return (
    <View style={styles.header}>
      <Spread style={styles.top}>
        <Words as="heading" numberOfLines={1} style={styles.title}>
          {job.context.machineName}
        </Words>
        {!practising && <UnsentNote brief />}
        {!job.state.signed && (
          <Act
            label={job.by}
            name={
              practising
                ? `${job.by}: what concerns the whole job`
                : `${job.by} works. Hand over to another`
            }
            style={styles.by}
            onPress={() => setOpen(!open)}
          />
        )}
        {!job.state.signed && (
          <Pressable
            role="button"
            aria-label="Hands full: answer by big zones of the screen"
            onPress={onHandsFull}
            style={styles.hands}
          >
            <Icon name="hand" color={tokens.ink} />
          </Pressable>
        )}
        <Pressable
          role="button"
          aria-label={practising ? 'Leave practice' : 'Leave the job; nothing is lost'}
          onPress={practising?.leave ?? leave}
          style={styles.leave}
        >
          <Icon name="close" color={tokens.ink} />
        </Pressable>
      </Spread>
      <Words as="note" color="secondInk" numberOfLines={1}>
        {viewed === job.present ? '' : 'Looking at: '}
        {step?.title} · step {viewed + 1} of {job.steps.length}
      </Words>
      {open && <JobMenu job={job} onDone={() => setOpen(false)} />}
      <StepBar {...{ job, viewed, onView }} />
    </View>
  );
}

const styles = StyleSheet.create({
  by: { minHeight: 44, paddingVertical: 4, paddingHorizontal: 10, maxWidth: 110 },
  header: { paddingHorizontal: space.large, paddingTop: space.medium },
  top: { alignItems: 'center', flexWrap: 'nowrap' },
  // One line, whatever stands beside it: nothing below moves under a finger.
  title: { flex: 1 },
  hands: { width: 44, height: 48, alignItems: 'center', justifyContent: 'center' },
  leave: {
    width: 48,
    height: 48,
    alignItems: 'center',
    justifyContent: 'center',
    marginRight: -12,
  },
});
