import type { CrankLocation, EngineSheet, Observation } from '@longbar/core';
import { adjustersOf, isRefused, locateCrank, planBarring, seatingOf } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { EngineDial } from '../../drawing/EngineDial';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { useSheetQuery } from '../../state/api';
import { Act } from '../../theme/Act';
import { Caution } from '../../theme/Caution';
import { Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { CylinderFeel } from './CylinderFeel';
import { HomeMadeMarks } from './HomeMadeMarks';
import { MarksSeen } from './MarksSeen';
import { oddOnes, onward, placesWords } from './findWords';

/** Where is the crank? Told by what rockers, cylinders and marks are found to do. */
export function FindScreen({ id }: { id: string }) {
  const { data, isError } = useSheetQuery(id);
  return (
    <Frame title="Find position" aside={data?.document.name} back={`/sheets/${id}`}>
      {data ? (
        <Find sheet={data.document} />
      ) : (
        <Words>{isError ? 'The server does not give this sheet.' : 'Fetching the sheet …'}</Words>
      )}
    </Frame>
  );
}

function Find({ sheet }: { sheet: EngineSheet }) {
  const { width } = useWindowDimensions();
  const room = Math.min(width, 720) - 2 * space.large;
  const [observations, setObservations] = useState<Observation[]>([]);
  const [chosen, setChosen] = useState<number>();
  const answer = useMemo(() => locateCrank(sheet, observations), [sheet, observations]);
  const location: CrankLocation = isRefused(answer) ? { intervals: [] } : answer;
  const cylinder = chosen ?? location.next ?? (sheet.firing.order[0] as number);
  const observe = (observation: Observation) => {
    const others = observations.filter((each) => !concernsSame(each, observation));
    const again = observations.some((each) => JSON.stringify(each) === JSON.stringify(observation));
    setObservations(again ? others : [...others, observation]);
  };
  return (
    <Stack gap={space.large}>
      <Caution>
        No fingers between rocker and valve while anyone turns. Decompression lever off before
        anything is felt.
      </Caution>
      <Answer
        sheet={sheet}
        location={location}
        refused={isRefused(answer) ? answer.refused : undefined}
      />
      <HeadMap
        banks={seatingOf(sheet)}
        cells={feltCells(sheet, observations, cylinder)}
        width={room}
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
      {observations.length > 0 && (
        <Act
          label="Take the last one back"
          icon="undo"
          onPress={() => setObservations(observations.slice(0, -1))}
        />
      )}
      <HomeMadeMarks sheet={sheet} />
    </Stack>
  );
}

/** Whether a new observation takes the place of an earlier one. */
function concernsSame(a: Observation, b: Observation): boolean {
  if ('id' in a && 'id' in b) return a.id === b.id;
  if ('cylinder' in a && 'cylinder' in b) return true;
  return 'mark' in a && 'mark' in b;
}

function Answer({
  sheet,
  location,
  refused,
}: {
  sheet: EngineSheet;
  location: CrankLocation;
  refused: string | undefined;
}) {
  const { intervals, next } = location;
  const widest = [...intervals].sort((a, b) => span(b) - span(a))[0];
  const known = widest && span(widest) < 700;
  const at = known ? (widest.from + span(widest) / 2) % 720 : 0;
  const two = planBarring(sheet, { method: 'two-position' });
  const plan =
    isRefused(two) || two.leftOver.length > 0 ? planBarring(sheet, { method: 'each' }) : two;
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
      {!isRefused(plan) && (
        <Words as="strong" style={styles.centred}>
          {onward(sheet, plan, intervals)}
        </Words>
      )}
    </View>
  );
}

function span({ from, to }: { from: number; to: number }): number {
  return (to - from + 720) % 720;
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
