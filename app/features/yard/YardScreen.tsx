import { comparePressing, localDay } from '@longbar/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useMachinesQuery, useShopQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';
import { Act } from '../../theme/Act';
import { Stack } from '../../theme/Panel';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { MachineRow } from './MachineRow';
import { OpenJobCard } from './OpenJobCard';
import { openJobs } from './openJobs';
import { useSeenMachines } from './useSeenMachines';

/** Every machine, the most pressing first; a job in progress on top. */
export function YardScreen() {
  const machines = useMachinesQuery(undefined, { refetchOnMountOrArgChange: true });
  const shop = useShopQuery();
  useSeenMachines(machines.data);
  const kept = useAppSelector((state) => state.jobs.byId);
  const today = localDay(new Date());
  const sorted = useMemo(
    () => [...(machines.data ?? [])].sort((a, b) => comparePressing(a.due, b.due, today)),
    [machines.data, today],
  );
  const open = useMemo(() => openJobs(kept, machines.data ?? []), [kept, machines.data]);
  return (
    <Frame title="Yard" aside={shop.data?.name}>
      {open.map((job) => (
        <OpenJobCard key={job.id} job={job} />
      ))}
      {machines.isError && (
        <Stack>
          <Words as="strong">The server does not answer.</Words>
          <Words>Jobs begun on this phone can be gone on with. The machines need the server.</Words>
          <Act label="Ask again" onPress={() => void machines.refetch()} />
        </Stack>
      )}
      {machines.isLoading && <Words color="secondInk">Fetching the machines …</Words>}
      {machines.data?.length === 0 && <Words>There is no machine in this yard yet.</Words>}
      <View role="list" aria-label="Machines">
        {sorted.map((machine) => (
          <MachineRow key={machine.id} machine={machine} today={today} />
        ))}
      </View>
    </Frame>
  );
}
