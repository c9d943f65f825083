import { dayOf } from '../calendar';
import type { HoursPost } from '../wire/hours';
import type { MachinePatch, MachinePost } from '../wire/machineForm';
import type { MachineDetail, ReadingOnRecord } from '../wire/machines';
import type { SheetDetail } from '../wire/sheets';
import { firstReading } from './baseline';
import type { HoursReading } from './hours';
import { changedFields, fieldsOf } from './machineFields';
import type { MachineBasis } from './machineLine';
import { machineLineOf } from './machineLine';
import { inMeterOrder, meterOf } from './meter';

/**
 * What a phone shows of a machine while the server has not been told: a machine added, changed or
 * read on it. The server makes the same of the same once it is told.
 */

type Page = Omit<MachineDetail, keyof ReturnType<typeof machineLineOf>>;

/** A machine that was just added, with the sheet it goes by. */
export function addedMachine(
  machine: MachinePost,
  { id, revision, document }: SheetDetail,
  today: string,
): MachineDetail {
  const { name, baseline, about } = fieldsOf(machine);
  const sheet = { id, revision };
  const basis = { id: machine.id, name, sheet, document, meter: [], baseline, about };
  const readings = firstReading(baseline);
  return detailOf(
    { ...basis, retired: false },
    { readings, history: [], findings: [], lastLeft: null },
    { open: null, recheck: null },
    today,
  );
}

/** A machine after a change; `sheet` where it goes by another, or by a newer revision. */
export function changedMachine(
  machine: MachineDetail,
  patch: MachinePatch,
  sheet: SheetDetail | undefined,
  today: string,
): MachineDetail {
  const basis = basisOf(machine);
  const { name, baseline, about } = changedFields(basis, patch);
  const by = sheet && {
    sheet: { id: sheet.id, revision: sheet.revision },
    document: sheet.document,
  };
  const retired = patch.retired ?? basis.retired;
  const own = machine.readings.filter(({ id }) => id !== undefined);
  const readings = [...own, ...firstReading(baseline)];
  const { open } = machine.jobs;
  const now = { ...basis, name, baseline, about, ...by, retired };
  return detailOf(now, { ...machine, readings }, { ...machine, open }, today);
}

/** A machine after a reading of its hour meter. */
export function machineRead(
  machine: MachineDetail,
  { date, hours, replaced }: HoursPost,
  today: string,
): MachineDetail {
  const basis = basisOf(machine);
  const day = dayOf(date);
  const reading = { date: day, hours, ...(replaced && { replaced: true as const }) };
  // The meters of the readings before are known already.
  const before = counted(machine.readings).map((each) => ({ date: each.date, hours: each.hours }));
  const meter = meterOf(basis.meter, [...before, reading]);
  const readings = [{ ...reading, id: `${day} ${hours}` }, ...machine.readings];
  const { open } = machine.jobs;
  return detailOf({ ...basis, meter }, { ...machine, readings }, { ...machine, open }, today);
}

/** What a machine's readings count for: without those that were taken back. */
export function counted(readings: readonly ReadingOnRecord[]): HoursReading[] {
  return readings.flatMap(({ date, hours, replaced, takenBack }) =>
    takenBack ? [] : [{ date, hours, ...(replaced && { replaced }) }],
  );
}

function basisOf(machine: MachineDetail): MachineBasis {
  const { id, name, sheet, document, meter, baseline } = machine;
  const { place, owner, serial, tag, photo } = machine;
  const about = { place, owner, serial, tag, photo };
  return { id, name, sheet, document, meter, baseline, about, retired: machine.retired === true };
}

type Rest = Pick<MachineDetail, 'history' | 'findings' | 'lastLeft' | 'readings'> &
  Pick<Page, 'notes' | 'lockPairs' | 'abandoned'>;

/** What is known of its drift stays known. */
type Drift = Pick<MachineDetail, 'recheck' | 'tooFewChecks' | 'rates'>;

function detailOf(
  basis: MachineBasis,
  { readings, history, findings, lastLeft, notes, lockPairs, abandoned }: Rest,
  { open, recheck, tooFewChecks, rates }: Drift & Pick<MachineDetail['jobs'], 'open'>,
  today: string,
): MachineDetail {
  const jobs = [...(open ? [open] : []), ...history];
  const { document, meter, baseline } = basis;
  const known = inMeterOrder(counted(readings), meter);
  const newestFirst = inMeterOrder(readings, meter).reverse();
  const page: Page = {
    document,
    meter,
    baseline,
    readings: newestFirst,
    history,
    findings,
    lastLeft,
  };
  return {
    ...machineLineOf(
      basis,
      { jobs, readings: known, recheck, ...(tooFewChecks && { tooFewChecks }) },
      today,
    ),
    ...page,
    ...(rates && { rates }),
    ...(abandoned && { abandoned }),
    ...(notes && { notes }),
    ...(lockPairs && { lockPairs }),
  };
}
