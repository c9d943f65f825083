import type { EngineSheet, Exercise, Level, Marked } from '@longbar/core';
import { EXERCISES, LEVELS } from '@longbar/core';
import type { ComponentType } from 'react';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { space, WIDE } from '../../theme/tokens';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { useMay } from '../people/useMay';
import { EngineChoice, useEngine } from './EngineChoice';
import type { ExerciseProps } from './exerciseProps';
import { FaultExercise } from './FaultExercise';
import { Mark } from './Mark';
import { ReadExercise } from './ReadExercise';
import { SetExercise } from './SetExercise';
import type { Rounds } from './useRounds';
import { useRounds } from './useRounds';
import { useScores } from './useScores';
import { WhereExercise } from './WhereExercise';
import { WhoPractised } from './WhoPractised';
import { BeginWhole } from './whole/BeginWhole';
import { WholeJobScreen } from './whole/WholeJobScreen';

const TITLES: Record<Exercise, string> = {
  where: 'Where is it?',
  set: 'What may be set?',
  read: 'Read it',
  whole: 'The whole job',
  fault: 'What is wrong?',
};
const BODIES: Record<Exercise, ComponentType<ExerciseProps>> = {
  where: WhereExercise,
  set: SetExercise,
  read: ReadExercise,
  whole: BeginWhole,
  fault: FaultExercise,
};

/** An engine to make mistakes on: nothing of it is recorded. */
export function PracticeScreen() {
  const [exercise, choose] = useState<Exercise>('set');
  const [level, setLevel] = useState<Level>(1);
  const [engine, setEngine] = useState('1-5-3-6-2-4');
  const { sheet, asked } = useEngine(engine);
  const foreman = useMay('foreman');
  const scores = useScores();
  const score = scores.of(exercise, level);
  const rounds = useRounds(`${exercise} ${level} ${engine}`);
  const marked = (result: Marked) => scores.add(exercise, level, result.score);
  if (rounds.atWork && sheet) {
    return (
      <WholeJobScreen
        {...{ sheet, level, seed: rounds.seed }}
        onMarked={marked}
        onLeave={rounds.leave}
        onNext={rounds.next}
      />
    );
  }
  return (
    <Frame title="Practice" aside="An engine to make mistakes on" back="/bench">
      <OneOf
        name="Exercise"
        columns={3}
        options={EXERCISES.map((each) => [each, TITLES[each]] as const)}
        chosen={exercise}
        onChoose={choose}
      />
      <OneOf
        name="Level"
        options={LEVELS.map((each) => [each, `Level ${each}`] as const)}
        chosen={level}
        onChoose={setLevel}
      />
      <EngineChoice engine={engine} onChoose={setEngine} />
      {sheet ? (
        <Round {...{ sheet, level, exercise, rounds }} onMarked={marked} />
      ) : (
        <Coming what="the sheet" of={asked} />
      )}
      <Words as="note" color="secondInk">
        {score
          ? `Your best: ${score.best} of 100, in ${score.rounds} ${score.rounds === 1 ? 'round' : 'rounds'}. `
          : 'You have played no round of it yet. '}
        No score is part of any record.
      </Words>
      {foreman && <WhoPractised titles={TITLES} />}
    </Frame>
  );
}

type RoundProps = {
  sheet: EngineSheet;
  level: Level;
  exercise: Exercise;
  rounds: Rounds;
  onMarked: (marked: Marked) => void;
};

function Round({ sheet, level, exercise, rounds, onMarked }: RoundProps) {
  const { width } = useWindowDimensions();
  const [marked, setMarked] = useState<{ round: string; mark: Marked }>();
  const Body = BODIES[exercise];
  const room = Math.min(width, 720) - 2 * space.large - (width >= WIDE ? 88 : 0);
  return (
    <Stack gap={space.large}>
      <Words as="label" color="secondInk">
        {rounds.round === 0
          ? 'THE ENGINE OF THE DAY, THE SAME FOR ALL'
          : `ROUND ${rounds.round + 1}`}
      </Words>
      <Body
        key={rounds.key}
        {...{ sheet, level }}
        width={room}
        seed={rounds.seed}
        onBegin={rounds.begin}
        onMarked={(mark) => {
          setMarked({ round: rounds.key, mark });
          onMarked(mark);
        }}
      />
      {marked?.round === rounds.key && <Mark marked={marked.mark} onNext={rounds.next} />}
    </Stack>
  );
}
