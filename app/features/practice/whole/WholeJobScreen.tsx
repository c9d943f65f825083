import type { EngineSheet, Level, Marked, Result, Shop, WholeTask } from '@longbar/core';
import { adjustersOf, isRefused, NEW_SHOP } from '@longbar/core';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { MapCell } from '../../../drawing/mapCell';
import { useShopQuery } from '../../../state/api';
import { space, WIDE } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { OneOf } from '../../../ui/OneOf';
import { Row } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { JobMap } from '../../job/engine/JobMap';
import { JobView } from '../../job/JobView';
import { StillDrawing } from '../../shared/StillDrawing';
import { PractisedJournal, PractisingProvider } from '../../shared/practising';
import { Mark } from '../Mark';
import { usePracticeWorker } from '../usePracticeWorker';
import { AtTheEngine } from './AtTheEngine';
import { useHands } from './useHands';
import type { PractisedJob } from './usePractisedJob';
import { usePractisedJob } from './usePractisedJob';

type Props = {
  sheet: EngineSheet;
  level: Level;
  seed: number;
  onMarked: (marked: Marked) => void;
  onLeave: () => void;
  onNext: () => void;
};

/** The whole job on an engine with faults, on the screens of a true one. */
export function WholeJobScreen({ sheet, level, seed, ...on }: Props) {
  const tokens = useTokens();
  const { result: task, failed } = usePracticeWorker<Result<WholeTask>>(
    `whole ${level} ${seed} ${sheet.name}`,
    async (worker) => worker.whole(sheet, seed, level),
  );
  const { data, isError } = useShopQuery();
  // Its blades are the shop’s; the common ones where there is no server to ask.
  const shop = data ?? (isError ? NEW_SHOP : undefined);
  const refused = task && isRefused(task) ? task.says : failed;
  if (task && !isRefused(task) && shop) return <Practised {...{ task, shop }} {...on} />;
  return (
    <View style={[styles.whole, styles.marking, { backgroundColor: tokens.ground }]}>
      {refused === undefined ? (
        <Words as="heading">Preparing the engine …</Words>
      ) : (
        <Words color="stop" role="alert">
          {refused}
        </Words>
      )}
      <Act label="Back to practice" onPress={on.onLeave} />
    </View>
  );
}

function Practised({
  task,
  shop,
  onMarked,
  onLeave,
  onNext,
}: { task: WholeTask; shop: Shop } & Pick<Props, 'onMarked' | 'onLeave' | 'onNext'>) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const practised = usePractisedJob(task, shop);
  const { job, engine, told, drawn, away, marked } = practised;
  const hands = useHands(engine, task);
  const [atEngine, go] = useState(false);
  // The same for as long as the job lasts: what is below is drawn anew with the job alone.
  const [practice] = useState({ leave: onLeave });
  useEffect(() => {
    if (marked) onMarked(marked);
    // Once per job: it is signed once.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [marked]);
  const room = Math.min(width, WIDE) - 2 * space.large;
  if (marked) return <Marking {...{ job, marked, onNext }} width={room} />;
  return (
    <PractisingProvider value={practice}>
      <View style={[styles.whole, { backgroundColor: tokens.ground }]}>
        <Where {...{ atEngine, away, go }} noticed={atEngine ? '' : hands.noticed} />
        <View style={[styles.whole, atEngine && styles.away]}>
          <StillDrawing of={told} drawn={drawn} />
          <PractisedJournal value={told}>
            <JobView job={job} />
          </PractisedJournal>
        </View>
        {atEngine && <AtTheEngine {...{ job, engine, hands }} width={room} />}
      </View>
    </PractisingProvider>
  );
}

type WhereProps = {
  atEngine: boolean;
  away: number;
  noticed: string;
  go: (atEngine: boolean) => void;
};

const PLACES = [
  ['screen', 'The screen'],
  ['engine', 'The engine'],
] as const;

/** Whether one looks at the phone or has the hands at the engine. */
function Where({ atEngine, away, noticed, go }: WhereProps) {
  const [seen, setSeen] = useState(0);
  return (
    <View style={styles.where}>
      <OneOf
        name="Where one is"
        columns={2}
        options={PLACES}
        chosen={atEngine ? 'engine' : 'screen'}
        onChoose={(place) => go(place === 'engine')}
      />
      {noticed !== '' && <Words as="note">At the engine: {noticed}</Words>}
      {away > seen && (
        <Row>
          <View style={styles.grow}>
            <Caution>You were called away for a quarter of an hour. You are back now.</Caution>
          </View>
          <Act label="Go on" onPress={() => setSeen(away)} />
        </Row>
      )}
    </View>
  );
}

type MarkingProps = Pick<PractisedJob, 'job'> & {
  marked: Marked;
  width: number;
  onNext: () => void;
};

/** How the job went, every mistake on the head and in words. */
function Marking({ job, marked, width, onNext }: MarkingProps) {
  const tokens = useTokens();
  const mistaken = new Map(marked.mistakes.map(({ id, says }) => [id, says]));
  const cells = adjustersOf(job.setting.sheet).map(({ id }): [string, MapCell] => {
    const odd = mistaken.has(id);
    const look = { here: false, onLobe: false, progress: 'painted', selected: false } as const;
    return [id, { ...look, odd, says: mistaken.get(id) ?? 'nothing mistaken' }];
  });
  return (
    <ScrollView style={{ backgroundColor: tokens.ground }} contentContainerStyle={styles.marking}>
      <Words as="heading">The job is signed</Words>
      <JobMap job={job} cells={Object.fromEntries(cells)} width={width} />
      <Mark marked={marked} onNext={onNext} />
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  whole: { flex: 1, minHeight: 0 },
  away: { display: 'none' },
  where: { padding: space.small, gap: space.small },
  grow: { flex: 1 },
  marking: { padding: space.large, gap: 10 },
});
