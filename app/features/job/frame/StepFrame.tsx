import { eventWords, itemNames, lastTapped } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useEffect, useRef, type ComponentProps, type ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { usePractising } from '../../shared/practising';
import type { WorkingJob } from '../model/workingJob';
import { LockLeft } from '../locks/LockLeft';
import { SignedTooSoon } from './SignedTooSoon';
import { sumCalledFor } from './sumCalledFor';

type Props = {
  job: WorkingJob;
  children: ReactNode;
  /** What is asked now: where it changes, the step is read from its top again. */
  asks?: string;
  /** The one thing to record now. */
  act?: Omit<ComponentProps<typeof Act>, 'weight'> & { weight?: 'primary' | 'stop' };
  /** What is recorded now, where it is more than one button. */
  primary?: ReactNode;
  /** What that is chosen by, as wide as the screen. */
  above?: ReactNode;
  after?: ReactNode;
};

/** A step: what it says, and low under the thumb what it records, with one tap to undo. */
export function StepFrame({ job, children, asks, act, primary, above, after }: Props) {
  const tokens = useTokens();
  const page = useRef<ScrollView>(null);
  useEffect(() => page.current?.scrollTo({ y: 0, animated: false }), [asks]);
  const undoable = undoWords(job);
  return (
    <View style={[styles.frame, { backgroundColor: tokens.sheet }]}>
      <ScrollView ref={page} style={styles.scroll} contentContainerStyle={styles.content}>
        <SignedTooSoon job={job} />
        <LockLeft job={job} />
        {children}
        {after}
        {sumCalledFor(job.instruction) !== undefined && <ToSums id={job.setting.head.id} />}
      </ScrollView>
      <View style={[styles.footer, { borderColor: tokens.hair, backgroundColor: tokens.sheet }]}>
        {above}
        <View style={styles.records}>
          {undoable && (
            <Act
              label="Undo"
              detail={undoable}
              name={`Undo: ${undoable}`}
              icon="undo"
              style={act ? styles.undo : { ...styles.undo, ...styles.low }}
              onPress={job.undo}
            />
          )}
          {(act ?? primary) && (
            <View style={styles.primary}>
              {primary}
              {act && <Act weight="primary" style={styles.act} {...act} />}
            </View>
          )}
        </View>
      </View>
    </View>
  );
}

/** The sums are one tap away wherever one is called for. */
function ToSums({ id }: { id: string }) {
  const router = useRouter();
  if (usePractising()) return null;
  return (
    <Act
      label="Sums with these figures"
      icon="bench"
      onPress={() => router.push(`/jobs/${id}/sums`)}
    />
  );
}

/** What one tap takes back: that the crank was turned so far, else its last act; and how much more. */
function undoWords({ state, setting, by }: WorkingJob): string | undefined {
  const tapped = lastTapped(state, by);
  const turned = tapped.find((event) => event.type === 'crank.turned' && event.degrees !== null);
  const named = turned ?? tapped[0];
  if (!named) return undefined;
  const words = eventWords(named, itemNames(setting.sheet, state));
  return tapped.length > 1 ? `${words} and ${tapped.length - 1} more` : words;
}

const styles = StyleSheet.create({
  frame: { flex: 1, minHeight: 0 },
  scroll: { flex: 1 },
  content: { padding: space.large, paddingTop: space.small, gap: 10 },
  footer: {
    gap: space.small,
    padding: space.medium,
    paddingHorizontal: space.large,
    borderTopWidth: 1,
    minHeight: 64,
  },
  records: { flexDirection: 'row', gap: space.small, flexGrow: 1 },
  primary: { flex: 1, gap: space.small, justifyContent: 'flex-end' },
  // Both as high as each other.
  act: { flexGrow: 1 },
  low: { alignSelf: 'flex-end' },
  undo: { width: 148, minHeight: 56, paddingHorizontal: 10 },
});
