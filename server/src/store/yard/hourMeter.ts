import * as v from 'valibot';
import type { HoursReading, JobLine, MeterChange, ReadingOnRecord } from '@longbar/core';
import { firstReading, inMeterOrder, meterOf } from '@longbar/core';
import { truth } from '../sql/columns';
import type { Database } from '../sql/database';
import type { MachineRow } from '../sql/tables';

const A_DAY = /^\d{4}-\d\d-\d\d/;

/** The hour meter of a machine: what it showed as far as it counts, and the meters there were. */
export type HourMeter = { readings: HoursReading[]; meter: MeterChange[] };

/**
 * What the hour meter of a machine showed on the day it went into service, by itself and in its
 * jobs, earliest first, and what is added to it since each change.
 */
export async function hourMeterOf(
  db: Database,
  { id, baseline, meter: stated }: Pick<MachineRow, 'id' | 'baseline' | 'meter'>,
  jobs: readonly JobLine[],
): Promise<HourMeter> {
  const rows = await db.rows(
    ReadingSchema,
    `SELECT date, hours, replaced FROM hours_readings
     WHERE shop = $shop AND machine = $1 AND job IS NULL AND takenBack IS NULL
     ORDER BY date, serial`,
    [id],
  );
  const own = rows.map(({ date, hours, replaced }) => ({
    date,
    hours,
    ...(replaced && { replaced: true as const }),
  }));
  const inJobs = jobs.flatMap(({ summary }) => summary.hours ?? []);
  const readings: HoursReading[] = [...firstReading(baseline), ...own, ...inJobs];
  const meter = meterOf(stated, readings);
  return { readings: inMeterOrder(readings, meter), meter };
}

/** Nothing is worked out from what cannot be a reading: its machine is set aside by name. */
const spoiled = ({ received }: { received: string }) =>
  `A reading of its hour meter is spoiled: ${received}.`;

const ReadingSchema = v.object({
  date: v.pipe(v.string(spoiled), v.regex(A_DAY, spoiled)),
  hours: v.number(spoiled),
  replaced: v.nullable(truth),
});

/** All readings of the hour meter, what was put right among them, newest first. */
export async function readingsOnRecord(
  db: Database,
  { id, baseline }: Pick<MachineRow, 'id' | 'baseline'>,
  jobs: readonly JobLine[],
  meter: readonly MeterChange[],
): Promise<ReadingOnRecord[]> {
  const rows = (
    await db.tables.hours.findAll({ where: { machine: id }, order: ['date', 'serial'] })
  ).map((row) => row.get());
  const own = rows.filter(({ job }) => job === null);
  const inJobs = jobs.flatMap(({ id: job, summary }): ReadingOnRecord[] => {
    const was = rows.find((row) => row.job === job)?.was;
    return summary.hours ? [{ ...summary.hours, id: job, ...(was && { was }) }] : [];
  });
  const all = [
    ...firstReading(baseline),
    ...own.map(({ serial, date, hours, was, takenBack, replaced }): ReadingOnRecord => ({
      date,
      hours,
      id: String(serial),
      ...(was && { was }),
      ...(takenBack && { takenBack }),
      ...(replaced && { replaced }),
    })),
    ...inJobs,
  ];
  return inMeterOrder(all, meter).reverse();
}
