import type { MachineDetail } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useDeleteMachineMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useMay } from '../people/useMay';

/** Retiring a machine, bringing it back, and deleting one of which there is no record. */
export function OutOfTheYard({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const sync = useSync();
  const isForeman = useMay('foreman');
  const { id, retired = false } = machine;
  const hasRecord = machine.history.length > 0 || machine.jobs.open !== null;
  const retire = async () => {
    await sync.sayOfMachine({ kind: 'change', machine: id, patch: { retired: !retired } });
    router.replace(retired ? `/machines/${id}` : '/');
  };
  return (
    <Stack>
      <Words as="heading">{retired ? 'Retired' : 'No longer here?'}</Words>
      <Words color="secondInk">
        {retired
          ? 'It is out of the yard. Its records are kept; nothing of it falls due.'
          : 'A retired machine leaves the yard and keeps its records. It can be brought back.'}
      </Words>
      <Act
        label={retired ? 'Bring it back into the yard' : 'Retire it'}
        onPress={() => void retire()}
      />
      {!hasRecord && isForeman && <Delete machine={machine} />}
    </Stack>
  );
}

function Delete({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const [remove, { error, isLoading }] = useDeleteMachineMutation();
  const go = async () => {
    const answer = await remove(machine.id);
    if (answer.error === undefined) router.replace('/');
  };
  return (
    <AskFirst
      label="Delete it: there is no job of it"
      question={`Delete ${machine.name} with its hours? This cannot be taken back.`}
      no="Cancel"
      yes="Delete it"
      weight="stop"
      busy={isLoading}
      onYes={() => void go()}
      refusal={error && refusalOf(error).message}
    />
  );
}
