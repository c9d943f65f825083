import * as v from 'valibot';
import { MOST_HOURS } from '../bounds';

/**
 * What a fleet's telematics tells of one machine: its serial number, what its meter showed, and
 * the instant at which it did.
 */
export type FleetReading = { serial: string; model: string; at: string; hours: number };

/** A page of a fleet: its readings, the address of the next page, and what could not be read. */
export type FleetPage = { readings: FleetReading[]; next: string | undefined; unread: string[] };

const text = v.pipe(
  v.union([v.string(), v.number()]),
  v.transform((given) => String(given).trim()),
);
const figure = v.pipe(
  v.union([v.string(), v.number()]),
  v.transform(Number),
  v.finite(),
  v.minValue(0),
  v.maxValue(MOST_HOURS),
);
const instant = v.pipe(
  v.string(),
  v.transform((given) => new Date(given)),
  v.check((date) => !Number.isNaN(date.getTime())),
  v.transform((date) => date.toISOString()),
);

/** One or several: XML does not tell a list of one from no list. */
const list = v.pipe(
  v.optional(v.unknown(), []),
  v.transform((given): unknown[] => (Array.isArray(given) ? given : [given])),
);

const unit = v.looseObject({
  equipmentheader: v.looseObject({
    serialnumber: v.pipe(text, v.nonEmpty()),
    model: v.optional(text, ''),
  }),
  cumulativeoperatinghours: v.optional(v.looseObject({ hour: figure, datetime: instant })),
});
const page = v.looseObject({ equipment: list, links: list });
const nextPage = v.looseObject({
  rel: v.pipe(text, v.toLowerCase(), v.literal('next')),
  href: text,
});

/**
 * Reads a page of a fleet as ISO 15143-3 has it, in JSON or in XML that was made into objects:
 * cumulative operating hours by serial number. Names are taken in any case, for services write
 * them so and so. A unit without hours tells none; one that cannot be read is named. Undefined
 * where it is no fleet at all.
 *
 * @example readFleetPage({ Equipment: [{ EquipmentHeader: { SerialNumber: 'S1' }, CumulativeOperatingHours: { Hour: 812.5, datetime: '2026-05-02T08:00:00Z' } }] }).readings
 *   // [{ serial: 'S1', model: '', at: '2026-05-02T08:00:00.000Z', hours: 812.5 }]
 */
export function readFleetPage(given: unknown): FleetPage | undefined {
  const lowered = withLowNames(given);
  const inFleet = v.safeParse(v.looseObject({ fleet: v.looseObject({}) }), lowered);
  const told = inFleet.success ? inFleet.output.fleet : lowered;
  const whole = v.safeParse(page, told);
  if (!whole.success || !isFleet(told)) return undefined;
  const readings: FleetReading[] = [];
  const unread: string[] = [];
  for (const each of whole.output.equipment) {
    const read = v.safeParse(unit, each);
    if (!read.success) {
      unread.push(nameOf(each));
      continue;
    }
    const { equipmentheader: header, cumulativeoperatinghours: counted } = read.output;
    if (!counted) continue;
    const hours = Math.round(counted.hour * 10) / 10;
    readings.push({
      serial: header.serialnumber,
      model: header.model,
      at: counted.datetime,
      hours,
    });
  }
  const [next] = whole.output.links.flatMap((link) => {
    const read = v.safeParse(nextPage, link);
    return read.success ? [read.output.href] : [];
  });
  return { readings, next, unread };
}

/** A fleet without any unit names at least the time it was told at. */
function isFleet(told: unknown): boolean {
  const named = v.union([
    v.looseObject({ equipment: v.union([v.array(v.unknown()), v.looseObject({})]) }),
    v.looseObject({ snapshottime: text }),
  ]);
  return v.is(named, told);
}

/** What a unit that cannot be read is known by. */
function nameOf(each: unknown): string {
  const header = v.looseObject({ serialnumber: v.optional(text), equipmentid: v.optional(text) });
  const known = v.safeParse(v.looseObject({ equipmentheader: header }), each);
  const { serialnumber, equipmentid } = known.success ? known.output.equipmentheader : {};
  return serialnumber || equipmentid || 'a unit without a serial number';
}

/** The same with all names in small letters. */
function withLowNames(given: unknown): unknown {
  if (Array.isArray(given)) return given.map(withLowNames);
  if (typeof given !== 'object' || given === null) return given;
  return Object.fromEntries(
    Object.entries(given).map(([name, value]) => [name.toLowerCase(), withLowNames(value)]),
  );
}
