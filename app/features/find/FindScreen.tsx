import type { BarringPlan, CrankEntry, EngineSheet, Observation } from '@longbar/core';
import { concernsSame, crankOrClash, isRefused, planBarring } from '@longbar/core';
import { useMemo, useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { useSheetQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { onward } from './findWords';
import { Locate } from './Locate';

/** Where is the crank? Told by what rockers, cylinders and marks are found to do. */
export function FindScreen({ id }: { id: string }) {
  const asked = useSheetQuery(id);
  const { data } = asked;
  return (
    <Frame title="Find position" aside={data?.document.name} back={`/sheets/${id}`}>
      {data ? <Find sheet={data.document} /> : <Coming what="the sheet" of={asked} />}
    </Frame>
  );
}

function Find({ sheet }: { sheet: EngineSheet }) {
  const { width } = useWindowDimensions();
  const [observations, setObservations] = useState<Observation[]>([]);
  const plan = useMemo(() => simplestPlan(sheet), [sheet]);
  const belief = useMemo(() => {
    const history = observations.map((seen): CrankEntry => ({ seen }));
    return crankOrClash(sheet, history);
  }, [sheet, observations]);
  const observe = (observation: Observation, back: boolean) => {
    const others = observations.filter((each) => !concernsSame(each, observation));
    setObservations(back ? others : [...others, observation]);
  };
  const way = plan && !isRefused(belief) ? onward(sheet, plan, belief, sheet.rotation) : '';
  return (
    <Stack gap={space.large}>
      {way !== '' && <Words as="strong">{way}</Words>}
      <Locate
        {...{ sheet, observations, belief }}
        rotation={sheet.rotation}
        width={Math.min(width, 720) - 2 * space.large}
        onObserve={observe}
      />
      {observations.length > 0 && (
        <Row style={{ flexWrap: 'wrap' }}>
          <Act
            label="Take the last one back"
            icon="undo"
            onPress={() => setObservations(observations.slice(0, -1))}
          />
          <Act label="It was turned: begin anew" onPress={() => setObservations([])} />
        </Row>
      )}
    </Stack>
  );
}

/** Two positions where they serve every adjuster, else one cylinder after the other. */
function simplestPlan(sheet: EngineSheet): BarringPlan | undefined {
  const two = planBarring(sheet, { method: 'two-position' });
  const plan =
    isRefused(two) || two.leftOver.length > 0 ? planBarring(sheet, { method: 'each' }) : two;
  return isRefused(plan) ? undefined : plan;
}
