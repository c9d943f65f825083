import { comparePressing, localDay } from '@longbar/core';
import { useMemo, useState } from 'react';
import { StyleSheet } from 'react-native';
import { useMachinesQuery, useShopQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';
import { Act } from '../../theme/Act';
import { Choice } from '../../theme/Choice';
import { Row, Stack } from '../../theme/Panel';
import { Way } from '../../theme/Way';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { OpenJobCard } from './OpenJobCard';
import { openJobs } from './openJobs';
import { PlannedWeeks } from './PlannedWeeks';
import { PressingBoard } from './PressingBoard';
import { Search } from './Search';
import { useSeenMachines } from './useSeenMachines';

/** Every machine, the most pressing first; a job in progress on top. */
export function YardScreen() {
  const machines = useMachinesQuery(undefined, { refetchOnMountOrArgChange: true });
  const shop = useShopQuery();
  useSeenMachines(machines.data);
  const kept = useAppSelector((state) => state.jobs.byId);
  const today = localDay(new Date());
  const [planned, setPlanned] = useState(false);
  const sorted = useMemo(
    () => [...(machines.data ?? [])].sort((a, b) => comparePressing(a.due, b.due, today)),
    [machines.data, today],
  );
  const standsAt = useAppSelector((state) => state.preferences.standsAt);
  const open = useMemo(
    () => openJobs(kept, machines.data ?? [], standsAt),
    [kept, machines.data, standsAt],
  );
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
      {sorted.length > 0 && <Search />}
      {sorted.length > 0 && (
        <Row>
          <Choice label="By pressing" chosen={!planned} onPress={() => setPlanned(false)} />
          <Choice label="By week" chosen={planned} onPress={() => setPlanned(true)} />
        </Row>
      )}
      {planned ? (
        <PlannedWeeks machines={sorted} today={today} />
      ) : (
        <PressingBoard machines={sorted} today={today} soon={shop.data?.soon} />
      )}
      {sorted.length > 0 && (
        <Words as="note" color="secondInk">
          Due dates for a calendar: subscribe to {calendarAddress()} or{' '}
          <Way
            to="/api/due.ics"
            name="Take the due dates as a calendar file"
            style={styles.inline}
            leaves
          >
            <Words as="note" style={styles.link}>
              take them as a file
            </Words>
          </Way>
          .
        </Words>
      )}
    </Frame>
  );
}

/** Where a calendar finds the due dates. */
function calendarAddress(): string {
  return `${window.location.origin}/api/due.ics`;
}

const styles = StyleSheet.create({
  inline: { display: 'flex' },
  link: { textDecorationLine: 'underline' },
});
