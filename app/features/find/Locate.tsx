import {
  itemAt,
  adjustersOf,
  cycleDegrees,
  describeOdd,
  describeSeen,
  isRefused,
  readId,
  seatingOf,
  wrap,
} from '@longbar/core';
import type {
  CrankBelief,
  EngineSheet,
  Observation,
  Refused,
  Rotation,
  SeatedBank,
} from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { EngineDial } from '../../drawing/EngineDial';
import type { FoldedLine } from '../../drawing/FoldedBank';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { Act } from '../../ui/Act';
import { Caution } from '../../ui/Caution';
import { Stack } from '../../ui/Panel';
import { SHORT, space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { CylinderFeel } from './CylinderFeel';
import { placesWords, widthOf } from './findWords';
import { HomeMadeMarks } from './HomeMadeMarks';
import { MarksSeen } from './MarksSeen';

type Props = {
  sheet: EngineSheet;
  rotation: Rotation | undefined;
  /** What was seen and felt since the crank was last turned. */
  observations: readonly Observation[];
  /** What all that is known tells together. */
  belief: CrankBelief | Refused;
  /** The cylinders that are asked for now, to be felt or watched. */
  asked?: readonly number[];
  width: number;
  /** Takes an observation, or takes one that stands already back. */
  onObserve: (observation: Observation, back: boolean) => void;
};

const NOWHERE: CrankBelief = { best: [], plausible: [], odd: [], told: false };

/** Where the crank can be, narrowing with what rockers, cylinders and marks are found to do. */
export function Locate({ sheet, belief: answer, observations, width, onObserve, ...props }: Props) {
  const [chosen, setChosen] = useState<number>();
  const { height } = useWindowDimensions();
  const belief = isRefused(answer) ? NOWHERE : answer;
  const { asked = [] } = props;
  const suggested = asked[0] ?? belief.next ?? itemAt(sheet.firing.order, 0);
  const shown = chosen === undefined ? (asked.length > 0 ? asked : [suggested]) : [chosen];
  const observe = (observation: Observation) => {
    const same = (each: Observation) => JSON.stringify(each) === JSON.stringify(observation);
    onObserve(observation, observations.some(same));
  };
  // Once a mark was seen, the rockers that are asked for come first.
  const marked = observations.some((each) => 'mark' in each);
  // Before anything is felt, what keeps fingers whole is read; then what is tapped comes first.
  const begun = observations.length > 0;
  const caution = (
    <Caution>
      No fingers between rocker and valve while anyone turns. Decompression lever off before
      anything is felt.
    </Caution>
  );
  const marks = <MarksSeen {...{ sheet, observations }} onObserve={observe} />;
  return (
    <Stack gap={space.large}>
      <Answer
        {...{ sheet, belief }}
        isAsked={asked.length > 0}
        rotation={props.rotation}
        size={begun || height < SHORT ? SMALL : LARGE}
      />
      {isRefused(answer) && (
        <Words as="strong" color="stop" role="alert">
          {answer.says}
        </Words>
      )}
      {!marked && marks}
      {!begun && caution}
      <HeadMap
        short={height < SHORT}
        banks={seatingOf(sheet)}
        cells={feltCells(sheet, observations, shown, belief.odd)}
        width={width}
        folded={(bank) => feltIn(bank, observations)}
        onSelect={(adjuster) => setChosen(readId(adjuster).cylinder)}
      />
      {shown.map((cylinder) => (
        <CylinderFeel key={cylinder} {...{ sheet, cylinder, observations }} onObserve={observe} />
      ))}
      {marked && marks}
      {chosen !== undefined && !shown.includes(suggested) && (
        <Act
          label={`Go to No. ${suggested}: it tells the most`}
          onPress={() => setChosen(undefined)}
        />
      )}
      {begun && caution}
      <HomeMadeMarks sheet={sheet} />
    </Stack>
  );
}

/** The dial before anything was seen, and while rockers are felt or height is scarce, px. */
const LARGE = 196;
const SMALL = 128;

type AnswerProps = Pick<Props, 'sheet' | 'rotation'> & {
  belief: CrankBelief;
  isAsked: boolean;
  size: number;
};

function Answer({ sheet, rotation, belief, isAsked, size }: AnswerProps) {
  const { plausible, clash, odd } = belief;
  const cycle = cycleDegrees(sheet);
  const span = ({ from, to }: { from: number; to: number }) => wrap(to - from, cycle);
  const widest = [...plausible].sort((a, b) => span(b) - span(a))[0];
  const known = widest && widthOf(sheet, belief) < cycle - 20;
  const at = known ? wrap(widest.from + span(widest) / 2, cycle) : 0;
  return (
    <View style={styles.answer}>
      <EngineDial {...{ sheet, rotation, at, size }} spans={known ? plausible : []} />
      <Words as="heading" style={styles.centred} role="status">
        {clash ? 'This cannot all be true.' : placesWords(plausible, sheet, isAsked)}
      </Words>
      {clash && (
        <Words color="stop" style={styles.centred}>
          Look again: {new Intl.ListFormat('en').format(clash.map(describeSeen))}. If all of it is
          so, the crank was turned meanwhile, or a mark is wrong.
        </Words>
      )}
      {describeOdd(odd).map((text) => (
        <Words key={text} as="strong" color="stop">
          {text}
        </Words>
      ))}
    </View>
  );
}

/** What was felt so far, on the map; the cylinders shown framed, the odd ones marked. */
function feltCells(
  sheet: EngineSheet,
  observations: readonly Observation[],
  shown: readonly number[],
  odd: readonly string[],
): Record<string, MapCell> {
  return Object.fromEntries(
    adjustersOf(sheet).map(({ id, cylinder: own }): [string, MapCell] => {
      const felt = observations.find((each) => 'id' in each && each.id === id);
      const isOdd = odd.includes(id);
      const cell = {
        here: felt?.state === 'loose',
        onLobe: felt !== undefined && felt.state !== 'loose',
        progress: 'none' as const,
        selected: own === shown[0],
        ...(isOdd && { odd: true }),
        says: [felt?.state ?? 'not felt', ...(isOdd ? ['the odd one'] : [])].join(', '),
      };
      return [id, cell];
    }),
  );
}

/** How much of a bank was felt, and its first rocker that was not. */
function feltIn({ cylinders }: SeatedBank, observations: readonly Observation[]): FoldedLine {
  const ids = cylinders.flatMap(({ adjusters }) => adjusters.map(({ id }) => id));
  const felt = new Set(observations.flatMap((each) => ('id' in each ? [each.id] : [])));
  const open = ids.filter((id) => !felt.has(id));
  const says = open.length === ids.length ? 'nothing felt yet' : `${ids.length - open.length} felt`;
  return { says, to: open[0] ?? ids[0] };
}

const styles = StyleSheet.create({
  answer: { alignItems: 'center', gap: space.small },
  centred: { textAlign: 'center' },
});
