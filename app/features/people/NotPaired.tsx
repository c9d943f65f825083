import type { DemoRole } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useEnterDemoMutation, useHealthQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { goesOn } from '../../state/jobs';
import { useAppSelector } from '../../state/store';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { DoorPage } from './DoorPage';
import { codeIn, usePaired } from './usePaired';

const NOT_PAIRED = 'This phone is not paired';

/** The server knows this phone as nobody's: how it is paired, and what waits on it meanwhile. */
export function NotPaired() {
  const health = useHealthQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <DoorPage title={health.data?.demo ? 'Look round the demo' : NOT_PAIRED}>
      {health.data?.demo && (
        <>
          <DemoDoor />
          <Words as="heading">{NOT_PAIRED}</Words>
        </>
      )}
      <Words>
        Only phones of the shop read and write here. A foreman shows a code under Shop, People: look
        at it with this phone’s camera, or open its link.
      </Words>
      <KeptHere />
      <ByLink />
      <Words as="note" color="secondInk">
        No foreman’s phone is left? On the server’s own machine, the command npm run pair prints a
        link.
      </Words>
    </DoorPage>
  );
}

/** What is done here and not sent, and the jobs that stand open: neither waits for a foreman. */
function KeptHere() {
  const router = useRouter();
  const count = useAppSelector(({ jobs }) => jobs.unsent.count);
  const open = useAppSelector(({ jobs }) => jobs.byId);
  const [job] = Object.values(open).filter(goesOn);
  return (
    <>
      {count > 0 && (
        <Words as="strong" role="status">
          {count} {count === 1 ? 'entry is' : 'entries are'} kept on this phone, and sent once it is
          paired.
        </Words>
      )}
      {job && (
        <Stack gap={space.small}>
          <Words>
            The job on {job.context.machineName} stands open here. It can go on; what is recorded is
            kept on this phone until it is paired.
          </Words>
          <Act
            weight="primary"
            label={`Go on with ${job.context.machineName}`}
            onPress={() => router.push(`/jobs/${job.context.head.id}`)}
          />
        </Stack>
      )}
    </>
  );
}

const AS: [DemoRole, string][] = [
  ['foreman', 'Look round as Ina, foreman'],
  ['technician', 'Look round as Tam, technician'],
];

function DemoDoor() {
  const [enter, { isLoading, error }] = useEnterDemoMutation();
  const paired = usePaired();
  const go = async (as: DemoRole) => {
    const { data } = await enter({ as });
    if (data) await paired(data);
  };
  return (
    <Stack>
      <Words>
        An invented works with eight machines. Nothing that is tried here is kept for another shop.
      </Words>
      {AS.map(([role, label]) => (
        <Act
          key={role}
          weight="primary"
          label={label}
          disabled={isLoading}
          onPress={() => void go(role)}
        />
      ))}
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
    </Stack>
  );
}

function ByLink() {
  const router = useRouter();
  const [link, setLink] = useState('');
  return (
    <Stack gap={space.small}>
      <Field label="The link, where it came as text" value={link} onChange={setLink} />
      <Act
        label="Open the link"
        disabled={link.trim() === ''}
        onPress={() => router.push(`/pair#${encodeURIComponent(codeIn(link))}`)}
      />
    </Stack>
  );
}
