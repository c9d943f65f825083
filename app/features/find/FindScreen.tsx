import type { BarringPlan, EngineSheet, Observation } from '@longbar/core';
import { isRefused, locateCrank, observe, planBarring } from '@longbar/core';
import { useMemo, useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { useSheetQuery } from '../../state/api';
import { Act } from '../../theme/Act';
import { Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { Locate } from './Locate';

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
  const [observations, setObservations] = useState<Observation[]>([]);
  const plan = useMemo(() => simplestPlan(sheet), [sheet]);
  const answer = useMemo(() => locateCrank(sheet, observations), [sheet, observations]);
  return (
    <Stack gap={space.large}>
      <Locate
        {...{ sheet, plan, observations, answer }}
        width={Math.min(width, 720) - 2 * space.large}
        onObserve={(observation, back) => setObservations(observe(observations, observation, back))}
      />
      {observations.length > 0 && (
        <Act
          label="Take the last one back"
          icon="undo"
          onPress={() => setObservations(observations.slice(0, -1))}
        />
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
