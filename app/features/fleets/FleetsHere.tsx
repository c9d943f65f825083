import type { Fleet } from '@longbar/core';
import { formatInstant } from '@longbar/core';
import { useState } from 'react';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { AskFirst } from '../../ui/AskFirst';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { refusalOf } from '../../state/refusal';
import { FleetForm } from './FleetForm';
import { useAskFleetMutation, useEndFleetMutation, useFleetsQuery } from './fleetsApi';
import { Waiting } from './Waiting';

/** Where hours come from by themselves, and what of that somebody has to settle. */
export function FleetsHere() {
  const { data } = useFleetsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [adding, setAdding] = useState(false);
  if (!data) return null;
  return (
    <Stack>
      <Words as="heading">Hours by telematics</Words>
      <Words as="note" color="secondInk">
        A fleet service that speaks ISO 15143-3 (AEMP 2.0) is asked for operating hours. They come
        to the machine whose serial number it names.
      </Words>
      {data.fleets.map((fleet) => (
        <Service key={fleet.id} fleet={fleet} />
      ))}
      {adding ? (
        <FleetForm onDone={() => setAdding(false)} />
      ) : (
        <Act label="Add a service" icon="add" onPress={() => setAdding(true)} />
      )}
      <Waiting waiting={data.waiting} />
    </Stack>
  );
}

function Service({ fleet }: { fleet: Fleet }) {
  const [ask, asking] = useAskFleetMutation();
  const [end, ending] = useEndFleetMutation();
  const [changing, setChanging] = useState(false);
  const { id, address, askedAt, everyHours, problem } = fleet;
  if (changing) return <FleetForm fleet={fleet} onDone={() => setChanging(false)} />;
  return (
    <Stack gap={space.small}>
      <Words as="strong" selectable>
        {address}
      </Words>
      {problem !== null && <Words color="stop">{problem} It is asked again within the hour.</Words>}
      <Words as="note" color="secondInk" role="status">
        {askedAt === null ? 'Not asked yet' : `Asked ${formatInstant(askedAt)}`}; every {everyHours}{' '}
        h.
      </Words>
      {asking.error && (
        <Words color="stop" role="alert">
          {refusalOf(asking.error).message}
        </Words>
      )}
      <Row>
        <Act
          label={asking.isLoading ? 'Asking …' : 'Ask now'}
          style={{ flex: 1 }}
          disabled={asking.isLoading}
          onPress={() => void ask(id)}
        />
        <Act label="Change the service" style={{ flex: 1 }} onPress={() => setChanging(true)} />
      </Row>
      <AskFirst
        label="Remove the service"
        question="It is asked no more. The hours it told stay."
        no="Keep it"
        yes={ending.isLoading ? 'Removing …' : 'Remove it'}
        weight="stop"
        busy={ending.isLoading}
        onYes={() => void end(id)}
        refusal={ending.error && refusalOf(ending.error).message}
      />
    </Stack>
  );
}
