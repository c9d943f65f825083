import type { Adjuster, EngineSheet, Observation } from '@longbar/core';
import {
  adjusterName,
  adjustersOf,
  describeSeen,
  formatLength,
  isAtAdjuster,
  isTelling,
} from '@longbar/core';
import { useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import type { MapCell } from '../../../drawing/mapCell';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Act } from '../../../ui/Act';
import { Row, Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import { JobMap } from '../../job/engine/JobMap';
import { GapInHand } from './GapInHand';
import type { Hands } from './useHands';
import type { PractisedJob } from './usePractisedJob';

type Props = Pick<PractisedJob, 'job' | 'engine'> & { hands: Hands; width: number };

/** The engine in front of one: barred, felt and measured. What it is truly like it does not say. */
export function AtTheEngine({ job, engine, hands, width }: Props) {
  const tokens = useTokens();
  const { sheet } = job.setting;
  const { instruction } = job;
  const adjusters = adjustersOf(sheet);
  const asked = instruction && isAtAdjuster(instruction) ? instruction.id : undefined;
  const [picked, pick] = useState<string>();
  const id = picked ?? asked;
  const inHand = adjusters.find((each) => each.id === id);
  const touch = (touched: string) => {
    pick(touched);
    hands.wiggle(rockersWith(adjusters, touched));
  };
  return (
    <ScrollView style={{ backgroundColor: tokens.sheet }} contentContainerStyle={styles.content}>
      <Words as="title">At the engine</Words>
      {job.says && (
        <Words color="secondInk">
          The screen says: {job.says.what}. {job.says.detail}
        </Words>
      )}
      <Words as="strong" role="status">
        {hands.noticed || 'Tap a cylinder to wiggle its rockers.'}
      </Words>
      <JobMap
        job={job}
        cells={feltCells(adjusters, hands.felt, id)}
        width={width}
        onSelect={touch}
      />
      <Words>{feltWords(hands.felt)}</Words>
      <Words>{pointerWords(sheet, (seen) => engine.sees(seen))}</Words>
      <Sight {...{ job, engine }} />
      <Bar {...{ job, hands }} />
      {inHand && (
        <Stack>
          <OnCylinder
            {...{ adjusters }}
            cylinder={inHand.cylinder}
            chosen={inHand.id}
            onPick={pick}
          />
          <GapInHand key={inHand.id} adjuster={inHand} {...{ engine, hands }} />
        </Stack>
      )}
      <Shims {...{ job, hands }} />
    </ScrollView>
  );
}

/** Whoever puts a hand on a cylinder wiggles all of its rockers. */
function rockersWith(adjusters: readonly Adjuster[], id: string): string[] {
  const cylinder = adjusters.find((each) => each.id === id)?.cylinder;
  return adjusters
    .filter((each) => each.cylinder === cylinder && isTelling(each.kind))
    .map((each) => each.id);
}

function feltCells(
  adjusters: readonly Adjuster[],
  felt: Hands['felt'],
  selected: string | undefined,
): Record<string, MapCell> {
  return Object.fromEntries(
    adjusters.map(({ id }): [string, MapCell] => {
      const state = felt[id];
      const look = { here: state === 'loose', onLobe: state === 'firm', progress: 'none' } as const;
      return [id, { ...look, selected: id === selected, says: state ?? 'not wiggled here' }];
    }),
  );
}

function feltWords(felt: Hands['felt']): string {
  const told = Object.entries(felt).map(([id, state]) => `${adjusterName(id)} ${state}`);
  return told.length === 0 ? 'No rocker was wiggled here yet.' : `${told.join(', ')}.`;
}

function pointerWords({ marks }: EngineSheet, sees: (seen: Observation) => boolean): string {
  const at = marks?.find(({ name }) => sees({ mark: name, state: 'at' }));
  return at ? `Mark ${at.name} is at the pointer.` : 'No mark is at the pointer.';
}

/** What is waited for on the way, where it is to be seen now. */
function Sight({ job, engine }: Pick<Props, 'job' | 'engine'>) {
  const { instruction } = job;
  const sight = instruction?.do === 'bar' ? instruction.sight : undefined;
  if (!sight || sight === 'any-mark' || !engine.sees(sight)) return null;
  return <Words as="strong">It has come: {describeSeen(sight)}.</Words>;
}

/** The bar: as the screen tells it, by so much, or on to a mark. */
function Bar({ job, hands }: Pick<Props, 'job' | 'hands'>) {
  const { instruction } = job;
  return (
    <Stack>
      {instruction?.do === 'bar' && (
        <Act weight="primary" label="Bar as told" onPress={() => hands.barAsTold(instruction)} />
      )}
      <Row>
        <Act label="Bar 10°" style={styles.grow} onPress={() => hands.bar(10)} />
        <Act label="Bar 90°" style={styles.grow} onPress={() => hands.bar(90)} />
        <Act label="To a mark" style={styles.grow} onPress={hands.barToMark} />
      </Row>
    </Stack>
  );
}

type OnCylinderProps = {
  adjusters: readonly Adjuster[];
  cylinder: number;
  chosen: string;
  onPick: (id: string) => void;
};

/** Which of a cylinder’s adjusters is in the hands. */
function OnCylinder({ adjusters, cylinder, chosen, onPick }: OnCylinderProps) {
  const own = adjusters.filter((each) => each.cylinder === cylinder);
  return (
    <Tiles columns={2}>
      {own
        .filter(({ id }) => id !== chosen)
        .map(({ id }) => (
          <Act key={id} label={`Take ${adjusterName(id)}`} onPress={() => onPick(id)} />
        ))}
    </Tiles>
  );
}

/** Shims go in where the screen says which. */
function Shims({ job, hands }: Pick<Props, 'job' | 'hands'>) {
  const { instruction } = job;
  if (instruction?.do !== 'fit' || !('acts' in instruction)) return null;
  return instruction.acts.map(({ id, in: size }) =>
    size === null ? null : (
      <Act
        key={id}
        label={`Put ${formatLength(size)} into ${adjusterName(id)}`}
        onPress={() => hands.fit(id, size)}
      />
    ),
  );
}

const styles = StyleSheet.create({
  content: { padding: space.large, paddingTop: space.small, gap: 10 },
  grow: { flex: 1 },
});
