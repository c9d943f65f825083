import type { MachineLine, Role, ShopHere, Soon } from '@longbar/core';
import { comparePressing, localDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { memo, useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { WIDE } from '../../theme/tokens';
import {
  useCalendarQuery,
  useMeQuery,
  useRetiredMachinesQuery,
  useShopQuery,
} from '../../state/api';
import { useAppSelector } from '../../state/store';
import { Act } from '../../ui/Act';
import { OneOf } from '../../ui/OneOf';
import { Row } from '../../ui/Panel';
import { Way } from '../../ui/Way';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { useMay } from '../people/useMay';
import { calendarAddress } from '../shared/calendarAddress';
import { Coming } from '../shared/Coming';
import { screen } from '../screens/screen';
import { HoursWaiting } from './HoursWaiting';
import { ServerTrouble } from '../shared/ServerTrouble';
import { OpenJobCard } from './OpenJobCard';
import type { OpenJobLine } from './openJobs';
import { openElsewhere, openHereUnread } from './openJobs';
import { PressingBoard } from './PressingBoard';
import { Search } from './Search';
import { useSeenMachines } from './useSeenMachines';
import { useYard } from './useYard';
import { YardTable } from './YardTable';

const FirstRun = screen((all) => all.FirstRun);
const Weeks = screen((all) => all.Weeks);
const KeptJobsRead = screen(
  (all) => all.KeptJobsRead,
  () => null,
);

const ORDERS = [
  ['urgent', 'Most urgent'],
  ['week', 'By week'],
] as const;

/** The jobs in progress on this phone: where each stands is told once its journal is read. */
function KeptJobs() {
  const kept = useAppSelector((state) => state.jobs.byId);
  const [read, setRead] = useState<readonly OpenJobLine[]>([]);
  // The card stays the same one, or a finger that rests on it meanwhile would lead nowhere.
  return (
    <>
      <KeptJobsRead onRead={setRead} />
      {openHereUnread(kept).map((job) => (
        <OpenJobCard key={job.id} job={read.find(({ id }) => id === job.id) ?? job} />
      ))}
    </>
  );
}

/** Every machine, the most pressing first; a job in progress on top. */
export function YardScreen() {
  const yard = useYard();
  const { machines } = yard;
  const router = useRouter();
  const shop = useShopQuery();
  const me = useMeQuery();
  const mayWork = useMay('technician');
  useSeenMachines(machines);
  const kept = useAppSelector((state) => state.jobs.byId);
  const today = localDay(new Date());
  const sorted = useMemo(
    () => [...(machines ?? [])].sort((a, b) => comparePressing(a.due, b.due, today)),
    [machines, today],
  );
  const isEmpty = machines?.length === 0;
  // How an empty yard is begun hangs on whose shop and phone it is.
  const asked = isEmpty ? [yard.asked, shop, me] : [yard.asked];
  const silent = asked.find((each) => each.error);
  const isLoading = yard.isLoading || (isEmpty && (shop.isLoading || me.isLoading));
  const askAgain = () => asked.forEach((each) => void each.refetch());
  // Of an empty yard only those that are out of it may be left.
  const retired = useRetiredMachinesQuery(undefined, { skip: !isEmpty });
  return (
    <Frame title="Yard" aside={shop.data?.unnamed ? undefined : shop.data?.name}>
      <ServerTrouble />
      <HoursWaiting />
      {Object.keys(kept).length > 0 && <KeptJobs />}
      {openElsewhere(kept, machines ?? []).map((job) => (
        <OpenJobCard key={job.id} job={job} />
      ))}
      {(silent || isLoading) && (
        <Coming
          what="the machines"
          of={{ ...(silent ?? yard.asked), refetch: askAgain }}
          without="Jobs begun on this phone can be continued. The other machines need the server."
        />
      )}
      {isEmpty && shop.data && me.data && <Empty shop={shop.data} role={me.data.role} />}
      {sorted.length > 0 && <Board machines={sorted} today={today} soon={shop.data?.soon} />}
      <Row>
        {!isEmpty && mayWork && (
          <Act
            label="Add a machine"
            icon="add"
            style={styles.grow}
            onPress={() => router.push('/machines/new')}
          />
        )}
        {(!isEmpty || (retired.data?.length ?? 0) > 0) && (
          <Act
            label="Retired machines"
            style={styles.grow}
            onPress={() => router.push('/machines/retired')}
          />
        )}
      </Row>
      {sorted.length > 0 && (
        <Act label="Labels for machines" icon="print" onPress={() => router.push('/labels')} />
      )}
      {sorted.length > 0 && mayWork && <CalendarNote />}
    </Frame>
  );
}

/** Nothing is in the yard: whoever may sets the shop up. */
function Empty({ shop, role }: { shop: ShopHere; role: Role }) {
  if (role === 'foreman') return <FirstRun shop={shop} />;
  return (
    <Words color="secondInk">
      Nothing is in the yard yet. A foreman names the shop and publishes its first sheet; then a
      machine can be added.
    </Words>
  );
}

type BoardProps = { machines: readonly MachineLine[]; today: string; soon: Soon | undefined };

/**
 * The machines by what is most urgent, or by the weeks in which they are worth opening. Drawn anew
 * when one of them changes, and not with all else that the page hears while it opens.
 */
const Board = memo(function Board({ machines, today, soon }: BoardProps) {
  const [planned, setPlanned] = useState(false);
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <>
      <Search />
      <OneOf
        name="In which order"
        options={ORDERS}
        chosen={planned ? 'week' : 'urgent'}
        onChoose={(order) => setPlanned(order === 'week')}
      />
      {planned ? (
        <Weeks />
      ) : wide ? (
        <YardTable machines={machines} today={today} soon={soon} />
      ) : (
        <PressingBoard machines={machines} today={today} soon={soon} />
      )}
    </>
  );
});

function CalendarNote() {
  const calendar = useCalendarQuery();
  if (!calendar.data) return null;
  const { key } = calendar.data;
  return (
    <Words as="note" color="secondInk">
      Due dates for a calendar: subscribe to {calendarAddress(key)} or{' '}
      <Way
        to="/api/due.ics"
        name="Due dates for a calendar: take them as a file"
        style={styles.inline}
        leaves
      >
        <Words as="note" style={styles.link}>
          take them as a file
        </Words>
      </Way>
    </Words>
  );
}

const styles = StyleSheet.create({
  inline: { display: 'flex' },
  grow: { flex: 1 },
  link: { textDecorationLine: 'underline' },
});
