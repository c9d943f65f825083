import type { JobCheck, MachineDetail, Shop } from '@longbar/core';
import { USUAL_RISK } from '@longbar/core';
import { useState } from 'react';
import { useWindowDimensions } from 'react-native';
import { useChecksQuery, useMachineQuery, useShopQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Spread, Stack } from '../../ui/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { recheckWords } from './driftWords';
import { Findings } from './Findings';
import { DOTS, Multiples, OneLarge } from './Multiples';
import type { Drift } from './useDrift';
import { useDrift } from './useDrift';

/** How every valve of a machine drifts: what is moving, how fast, and when to look again. */
export function DriftScreen({ id }: { id: string }) {
  const machine = useMachineQuery(id);
  const checks = useChecksQuery(id);
  const [data, past] = [machine.data, checks.data];
  const shop = useShopQuery();
  const awaited = data ? checks : machine;
  return (
    <Frame title="Drift" aside={data?.name} back={`/machines/${id}`}>
      {!(data && past) && <Coming what="the machine" of={awaited} />}
      {past?.length === 0 && (
        <Words>No check of this machine is signed yet: nothing can be said of its drift.</Words>
      )}
      {data && past && past.length > 0 && (
        <MachineDrift machine={data} checks={past} shop={shop.data ?? {}} />
      )}
    </Frame>
  );
}

type DriftProps = {
  machine: MachineDetail;
  checks: JobCheck[];
  shop: Pick<Shop, 'driftRisk'>;
};

function MachineDrift({ machine, checks, shop }: DriftProps) {
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const drift = useDrift(machine, checks, shop);
  const [asked, setAsked] = useState<string>();
  const { findings } = machine;
  const shown = asked ?? drift.forecast?.recheckAt.id ?? findings[0]?.ids[0] ?? 'intake.1';
  const room = Math.min(width, wide ? 1120 : 720) - 2 * (wide ? space.huge + 44 : space.large);
  return (
    <Stack gap={space.large}>
      <Progress drift={drift} />
      {drift.forecast && (
        <Words as="heading">
          {recheckWords(drift.forecast.recheckAt, shop.driftRisk ?? USUAL_RISK)}
        </Words>
      )}
      <Findings findings={findings} />
      <OneLarge past={drift} id={shown} width={room} />
      <Multiples past={drift} shown={shown} onShow={setAsked} />
      <Words as="note" color="secondInk">
        {DOTS} Dashed on: where the rate leads in 1,000 h. Tap one to see it large.
      </Words>
    </Stack>
  );
}

function Progress({ drift }: { drift: Drift }) {
  if (drift.failed !== undefined) {
    return <Words color="stop">The forecast could not be worked out: {drift.failed}</Words>;
  }
  if (drift.forecast) return null;
  if (drift.cancelled) return <Words color="secondInk">Stopped. The checks stand below.</Words>;
  return (
    <Spread>
      <Words role="status">Working out the drift …</Words>
      <Act label="Stop" onPress={drift.cancel} />
    </Spread>
  );
}
