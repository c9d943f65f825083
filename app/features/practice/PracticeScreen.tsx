import type { EngineSheet, Exercise, Level, Marked } from '@longbar/core';
import {
  EXERCISES,
  LEVELS,
  localDay,
  practiceSheet,
  quickSheet,
  readOrder,
  seedOfDay,
} from '@longbar/core';
import type { ComponentType } from 'react';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { useSheetQuery, useSheetsQuery } from '../../state/api';
import { space, WIDE } from '../../theme/tokens';
import { Choice } from '../../ui/Choice';
import { Row, Stack } from '../../ui/Panel';
import { Select } from '../../ui/Select';
import { Tiles } from '../../ui/Tiles';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { useMay } from '../people/useMay';
import type { ExerciseProps } from './exerciseProps';
import { FaultExercise } from './FaultExercise';
import { Mark } from './Mark';
import { ReadExercise } from './ReadExercise';
import { SetExercise } from './SetExercise';
import { useScores } from './useScores';
import { WhereExercise } from './WhereExercise';
import { WhoPractised } from './WhoPractised';
import { BeginWhole } from './whole/BeginWhole';
import { WholeJobScreen } from './whole/WholeJobScreen';

const TOLD: Record<Exercise, { title: string; View: ComponentType<ExerciseProps> }> = {
  where: { title: 'Where is it?', View: WhereExercise },
  set: { title: 'What may be set?', View: SetExercise },
  read: { title: 'Read it', View: ReadExercise },
  whole: { title: 'The whole job', View: BeginWhole },
  fault: { title: 'What is wrong?', View: FaultExercise },
};

const TITLES: Record<Exercise, string> = {
  where: TOLD.where.title,
  set: TOLD.set.title,
  read: TOLD.read.title,
  whole: TOLD.whole.title,
  fault: TOLD.fault.title,
};

/** Engines to practise on without a sheet, by their firing order. */
const ORDERS = ['1-3-4-2', '1-5-3-6-2-4', '1-4-2-6-3-5', '1-8-4-3-6-5-7-2'];

/** An engine to make mistakes on: nothing of it is recorded. */
export function PracticeScreen() {
  const [exercise, choose] = useState<Exercise>('set');
  const [level, setLevel] = useState<Level>(1);
  const [engine, setEngine] = useState('1-5-3-6-2-4');
  const sheet = useEngine(engine);
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
      <View role="radiogroup" aria-label="Exercise">
        <Tiles columns={3}>
          {EXERCISES.map((each) => (
            <Choice
              key={each}
              label={TOLD[each].title}
              chosen={each === exercise}
              onPress={() => choose(each)}
            />
          ))}
        </Tiles>
      </View>
      <View role="radiogroup" aria-label="Level">
        <Row>
          {LEVELS.map((each) => (
            <Choice
              key={each}
              label={`Level ${each}`}
              chosen={each === level}
              onPress={() => setLevel(each)}
            />
          ))}
        </Row>
      </View>
      <EngineChoice engine={engine} onChoose={setEngine} />
      {sheet ? (
        <Round {...{ sheet, level, exercise, rounds }} onMarked={marked} />
      ) : (
        <Words>Fetching the sheet …</Words>
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

/** The engine chosen: one of the shop’s sheets, or one known by its firing order alone. */
function useEngine(engine: string): EngineSheet | undefined {
  const bare = ORDERS.includes(engine);
  const { data: lines } = useSheetsQuery();
  const id = lines?.find(({ name }) => name === engine)?.id;
  const { data } = useSheetQuery(id ?? '', { skip: bare || id === undefined });
  const quick = useMemo(() => {
    const read = readOrder(engine);
    return bare && 'order' in read ? quickSheet(read.order, 'in-line') : undefined;
  }, [bare, engine]);
  const sheet = quick ?? data?.document;
  return sheet && practiceSheet(sheet);
}

function EngineChoice({
  engine,
  onChoose,
}: {
  engine: string;
  onChoose: (engine: string) => void;
}) {
  const { data } = useSheetsQuery();
  const own = data?.map(({ name }) => name) ?? [];
  return <Select label="Engine" value={engine} options={[...ORDERS, ...own]} onChange={onChoose} />;
}

/** Round after round: the first is the engine of the day, the same for all. */
type Rounds = {
  round: number;
  seed: number;
  /** Which round of which exercise it is: another is another screen. */
  key: string;
  /** A whole job is worked at, on the screens of a true one. */
  atWork: boolean;
  begin: () => void;
  leave: () => void;
  next: () => void;
};

function useRounds(of: string): Rounds {
  const [day] = useState(() => localDay(new Date()));
  const [{ exercise, round, atWork }, set] = useState({ exercise: of, round: 0, atWork: false });
  // Another exercise begins with the engine of the day again.
  const now = exercise === of ? round : 0;
  const go = (to: number, working: boolean) => set({ exercise: of, round: to, atWork: working });
  return {
    round: now,
    seed: seedOfDay(`${day} ${now}`),
    key: `${of} ${now}`,
    atWork: atWork && exercise === of,
    begin: () => go(now, true),
    leave: () => go(now, false),
    next: () => go(now + 1, false),
  };
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
  const { View: Body } = TOLD[exercise];
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
