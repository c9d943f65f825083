import { firingOf, LESSON_STEPS, quickSheet, readOrder, runningMate } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useCrank } from '../../../drawing/crank';
import type { Drive } from '../../../drawing/CylinderSection';
import { EngineView } from '../../sheets/EngineView';
import { space, WIDE } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Act } from '../../../ui/Act';
import { OneOf } from '../../../ui/OneOf';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Frame } from '../../frame/Frame';
import { LivingSection } from './LivingSection';
import type { Lesson } from './useLesson';
import { useLesson } from './useLesson';

const DRIVES: readonly [Drive, string][] = [
  ['push-rod', 'Push rods'],
  ['overhead', 'Overhead cam'],
];

/** Why the chart says what it says: an engine to turn by hand, in seven short steps. */
export function WhyScreen({ order, job }: { order?: string; job?: string }) {
  const sheet = useMemo(() => taughtOn(order), [order]);
  const crank = useCrank();
  const lesson = useLesson(sheet, crank);
  const [drive, setDrive] = useState<Drive>('push-rod');
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const room = Math.min(width, wide ? 1120 : 720) - (wide ? 88 + 2 * space.huge : 2 * space.large);
  const left = wide ? 380 : Math.min(room, 340);
  return (
    <Frame
      title="Why it works"
      aside={`By an engine that fires ${sheet.name}`}
      back={job === undefined ? '/bench' : `/jobs/${job}`}
    >
      <View style={wide ? styles.wide : styles.stack}>
        <Stack style={wide ? { width: left } : styles.centre}>
          <LessonCard lesson={lesson} />
          <View style={styles.centre}>
            <LivingSection {...{ sheet, crank, drive }} width={left} />
          </View>
          <OneOf
            name="How the valves are driven"
            options={DRIVES}
            chosen={drive}
            onChoose={setDrive}
          />
          <Words as="note" color="secondInk">
            Drag across the section, or the line in the map below. The gap is drawn far larger than
            it is, the lobes are typical ones.
          </Words>
        </Stack>
        <View style={wide ? styles.column : {}}>
          <EngineView
            {...{ sheet, crank }}
            stops={NO_STOPS}
            width={wide ? room - left - space.huge : room}
          />
        </View>
      </View>
    </Frame>
  );
}

const NO_STOPS: number[] = [];

/** An engine of this order, where No. 1 has a running mate; else a six. */
function taughtOn(order: string | undefined) {
  const read = readOrder(order ?? '');
  const sheet = 'order' in read ? quickSheet(read.order, 'in-line') : undefined;
  const teaches = sheet && runningMate(firingOf(sheet), 1) !== undefined;
  return teaches ? sheet : quickSheet([1, 5, 3, 6, 2, 4], 'in-line');
}

/** One step: what is so, what to do with one’s own hand, and what was to be seen. */
function LessonCard({ lesson: { step, done, go } }: { lesson: Lesson }) {
  const tokens = useTokens();
  const card = LESSON_STEPS[step];
  if (!card) return null;
  const more = step < LESSON_STEPS.length - 1;
  return (
    <View style={[styles.card, { backgroundColor: tokens.sheet, borderColor: tokens.line }]}>
      <Words as="label" color="secondInk">
        {step + 1} OF {LESSON_STEPS.length}
      </Words>
      <Words as="heading">{card.title}</Words>
      <Words>{card.says}</Words>
      <Words as="strong" color={done ? 'secondInk' : 'act'}>
        {card.task}
      </Words>
      <Words role="status" as="strong" color="enamelInk">
        {done ? card.seen : ''}
      </Words>
      <Row>
        <Act
          label="Before"
          disabled={step === 0}
          style={styles.grow}
          onPress={() => go(step - 1)}
        />
        <Act
          label={more ? 'Next' : 'Once more'}
          weight={done ? 'primary' : 'plain'}
          style={styles.grow}
          onPress={() => go(more ? step + 1 : 0)}
        />
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  column: { flex: 1 },
  centre: { alignItems: 'stretch', alignSelf: 'center', width: '100%' },
  card: { borderWidth: 1.2, borderRadius: 12, padding: space.medium, gap: space.small },
  grow: { flex: 1 },
});
