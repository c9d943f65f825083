import type { BarringPlan, CrankLocation, EngineSheet, Observation, Refused } from '@longbar/core';
import { adjustersOf, cycleDegrees, isRefused, seatingOf, wrap } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { EngineDial } from '../../drawing/EngineDial';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { Act } from '../../theme/Act';
import { Caution } from '../../theme/Caution';
import { Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { CylinderFeel } from './CylinderFeel';
import { oddOnes, onward, placesWords } from './findWords';
import { HomeMadeMarks } from './HomeMadeMarks';
import { MarksSeen } from './MarksSeen';

type Props = {
  sheet: EngineSheet;
  /** The stops to be barred to once the place is known, where that is said here. */
  plan?: BarringPlan | undefined;
  observations: readonly Observation[];
  /** What they tell together. */
  answer: CrankLocation | Refused;
  width: number;
  /** Takes an observation, or takes one that stands already back. */
  onObserve: (observation: Observation, back: boolean) => void;
};

/** Where the crank can be, narrowing with what rockers, cylinders and marks are found to do. */
export function Locate({ sheet, plan, observations, answer, width, onObserve }: Props) {
  const [chosen, setChosen] = useState<number>();
  const location: CrankLocation = isRefused(answer) ? { intervals: [] } : answer;
  const cylinder = chosen ?? location.next ?? (sheet.firing.order[0] as number);
  const observe = (observation: Observation) => {
    const same = (each: Observation) => JSON.stringify(each) === JSON.stringify(observation);
    onObserve(observation, observations.some(same));
  };
  return (
    <Stack gap={space.large}>
      <Caution>
        No fingers between rocker and valve while anyone turns. Decompression lever off before
        anything is felt.
      </Caution>
      <Answer
        {...{ sheet, plan, location }}
        refused={isRefused(answer) ? answer.refused : undefined}
      />
      <HeadMap
        banks={seatingOf(sheet)}
        cells={feltCells(sheet, observations, cylinder)}
        width={width}
        onSelect={(adjuster) => setChosen(Number(adjuster.split('.')[1]))}
      />
      <CylinderFeel {...{ sheet, cylinder, observations }} onObserve={observe} />
      {chosen !== undefined && location.next !== undefined && location.next !== chosen && (
        <Act
          label={`Go to No. ${location.next}: it tells the most`}
          onPress={() => setChosen(undefined)}
        />
      )}
      <MarksSeen {...{ sheet, observations }} onObserve={observe} />
      <HomeMadeMarks sheet={sheet} />
    </Stack>
  );
}

type AnswerProps = Pick<Props, 'sheet' | 'plan'> & {
  location: CrankLocation;
  refused: string | undefined;
};

function Answer({ sheet, plan, location, refused }: AnswerProps) {
  const { intervals, next } = location;
  const cycle = cycleDegrees(sheet);
  const span = ({ from, to }: { from: number; to: number }) => wrap(to - from, cycle);
  const widest = [...intervals].sort((a, b) => span(b) - span(a))[0];
  const known = widest && span(widest) < cycle - 20;
  const at = known ? wrap(widest.from + span(widest) / 2, cycle) : 0;
  return (
    <View style={styles.answer}>
      <EngineDial sheet={sheet} at={at} size={216} spans={known ? intervals : []} />
      <Words as="heading" style={styles.centred} role="status">
        {refused ?? placesWords(intervals)}
      </Words>
      {next !== undefined && (
        <Words as="strong" color="act">
          Wiggle No. {next} next: it tells the most.
        </Words>
      )}
      {oddOnes(intervals).map((text) => (
        <Words key={text} color="stop">
          {text}
        </Words>
      ))}
      {plan && (
        <Words as="strong" style={styles.centred}>
          {onward(sheet, plan, intervals)}
        </Words>
      )}
    </View>
  );
}

/** What was felt so far, on the map; the chosen cylinder framed. */
function feltCells(
  sheet: EngineSheet,
  observations: readonly Observation[],
  cylinder: number,
): Record<string, MapCell> {
  return Object.fromEntries(
    adjustersOf(sheet).map(({ id, cylinder: own }): [string, MapCell] => {
      const felt = observations.find((each) => 'id' in each && each.id === id);
      const cell = {
        here: felt?.state === 'loose',
        onLobe: felt?.state === 'firm' || felt?.state === 'down',
        progress: 'none' as const,
        selected: own === cylinder,
        says: felt?.state ?? 'not felt',
      };
      return [id, cell];
    }),
  );
}

const styles = StyleSheet.create({
  answer: { alignItems: 'center', gap: space.small },
  centred: { textAlign: 'center' },
});
