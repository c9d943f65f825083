import * as v from 'valibot';
import {
  LARGEST_LENGTH,
  listUpTo,
  MOST_HOURS,
  numberFrom,
  textUpTo,
  wholeFrom,
  wordsUpTo,
} from '../bounds';
import { AIM_RULES, POLICIES } from '../gauging/policy';
import { count, UuidSchema } from '../job/journal/fields';
import { ROUND_RULES } from '../job/journal/roundRule';
import { fromThou } from '../units';

const micrometres = wholeFrom(1, LARGEST_LENGTH, 'A size is a whole number of µm.');
const bladeSet = v.object({
  name: wordsUpTo(200, 'A blade set has a name.'),
  unit: v.picklist(['mm', 'inch']),
  /** Forked: reads both adjusters of a pair at once. */
  forked: v.optional(v.boolean()),
  blades: v.pipe(
    listUpTo(v.union([micrometres, v.object({ go: micrometres, noGo: micrometres })]), 200),
    v.nonEmpty('A blade set has at least one blade.'),
  ),
});

/** What comes first where a figure is shown in two units. */
export const UnitsSchema = v.object({
  length: v.picklist(['mm', 'thou'], 'Lengths come in mm or in thou first.'),
  torque: v.picklist(['N·m', 'lb·ft'], 'Torques come in N·m or in lb·ft first.'),
  temperature: v.picklist(['°C', '°F'], 'Temperatures come in °C or in °F first.'),
});

export const ShopSchema = v.object({
  name: wordsUpTo(200, 'The shop has a name.'),
  /** As it stands on what is printed. */
  address: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(300, 'At most 300 characters.'))),
  units: v.optional(UnitsSchema),
  /** Its days and hours are told by this, wherever the server runs. */
  timeZone: v.optional(
    v.pipe(textUpTo(100), v.check(isTimeZone, 'There is no such time zone. One is Etc/GMT+1.')),
  ),
  policy: v.picklist(POLICIES),
  bladeSets: listUpTo(bladeSet, 30),
  /** What is read once more on the round. */
  round: v.optional(v.picklist(ROUND_RULES)),
  /** The shims in the drawer, and those that can be bought, µm. */
  shims: v.optional(
    v.object({
      stock: listUpTo(v.object({ size: micrometres, count }), 500),
      buy: v.object({ from: micrometres, to: micrometres, step: micrometres }),
    }),
  ),
  /** The chance, per cent, of any adjuster outside its limits at which a check is due by drift. */
  driftRisk: v.optional(wholeFrom(1, 50, 'The chance is a whole number of per cent, from 1.')),
  /** So many hours a week go into checks; where absent, weeks are planned without a limit. */
  weekHours: v.optional(numberFrom(0.5, 1000, 'Hours a week are a number from 0.5.')),
  /** Whether an adjuster that drifts one way is set off its target, so that it stays inside longer. */
  aim: v.optional(v.picklist(AIM_RULES)),
  /** From when on a check counts as soon: so many hours or days before it is due. */
  soon: v.optional(
    v.object({
      hours: numberFrom(0, MOST_HOURS, 'Hours are a number.'),
      days: numberFrom(0, 3660, 'Days are a number.'),
    }),
  ),
});
export type Shop = v.InferOutput<typeof ShopSchema>;

const upTo = (most: number, step: number) =>
  Array.from({ length: most / step }, (_, i) => (i + 1) * step);

/** What a shop begins with until somebody says otherwise: common blades, only what is outside set. */
export const NEW_SHOP: Shop = {
  name: 'Workshop',
  policy: 'leave-inside',
  bladeSets: [
    { name: 'mm set', unit: 'mm', blades: upTo(1000, 50) },
    { name: 'inch set', unit: 'inch', blades: upTo(30, 1).map(fromThou) },
  ],
};

/** The shop as the server has it. */
export const ShopHereSchema = v.object({
  ...ShopSchema.entries,
  /** Of this very shop: the demo has another, and so has every shop begun anew. */
  id: UuidSchema,
  /** Which life of its database this is: another after a backup was restored. */
  generation: v.optional(v.string()),
  /** The company that is run from here, whose shops its foremen see side by side. */
  company: v.optional(v.string()),
  /** Whether it is the demo. */
  demo: v.boolean(),
  /** Whether nobody has named it yet. */
  unnamed: v.boolean(),
  /** What is wrong with its database, and the way back; nothing is written while it stands. */
  damage: v.optional(v.string()),
  /** So many entries that phones were told are kept are missing since it was started. */
  lost: v.optional(v.number()),
  /** So many readings of telematics wait to be settled. */
  hoursWaiting: v.optional(v.number()),
  /** What could not be worked out or read, by name: the rest goes on without it. */
  setAside: v.optional(v.array(v.object({ name: v.string(), why: v.string() }))),
});
export type ShopHere = v.InferOutput<typeof ShopHereSchema>;

/** An empty server becomes again the shop that a phone keeps, with its rules where it knows them. */
export const RebuildSchema = v.object(
  { id: UuidSchema, shop: v.optional(ShopSchema) },
  'It takes the id of the shop.',
);
export type Rebuild = v.InferOutput<typeof RebuildSchema>;

/** The header that names the shop a phone speaks to: another one refuses it. */
export const SHOP_HEADER = 'x-longbar-shop';

function isTimeZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}
