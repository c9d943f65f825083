import * as v from 'valibot';
import { wordsUpTo } from '../bounds';
import { UuidSchema } from '../job/journal/fields';

/** What people of a shop may be; each may do what those before may, and more. */
export const ROLES = ['reader', 'helper', 'technician', 'foreman'] as const;
export type Role = (typeof ROLES)[number];

const name = wordsUpTo(80, 'A person has a name.');
const role = v.picklist(ROLES, 'A person is a reader, a helper, a technician or a foreman.');

/** Whether a role may do what another may. */
export function isAtLeast(role: Role, least: Role): boolean {
  return ROLES.indexOf(role) >= ROLES.indexOf(least);
}
const CodeSchema = v.pipe(
  v.string('A pairing link ends with a code.'),
  v.regex(/^[\w-]{22}$/, 'This is no pairing link of Long Bar. Ask for a new one.'),
);

/** A phone asks to be paired; the first of a shop says who holds it. */
export const PairSchema = v.object({ code: CodeSchema, name: v.optional(name) });
export type Pair = v.InferOutput<typeof PairSchema>;

/** Whom one may look round the demo as. */
export const DEMO_ROLES = ['technician', 'foreman'] as const;
export type DemoRole = (typeof DEMO_ROLES)[number];

/** The way into the demo, on the server's own machine. */
export const EnterDemoSchema = v.object({
  as: v.picklist(DEMO_ROLES, 'One looks round as a technician or a foreman.'),
});
export type EnterDemo = v.InferOutput<typeof EnterDemoSchema>;

/** A pairing link is asked for: for somebody of the shop, or for somebody new. */
export const PairingPostSchema = v.union(
  [v.object({ person: UuidSchema }), v.object({ name, role })],
  'Say whose phone it is: an id of a person, or a name and a role.',
);
export type PairingPost = v.InferOutput<typeof PairingPostSchema>;

/** What is changed of a person. */
export const PersonPatchSchema = v.object({
  name: v.optional(name),
  role: v.optional(role),
  retired: v.optional(v.boolean('Retired is true or false.')),
  /** Forgotten: no PIN is asked for any more, until they set another. */
  pin: v.optional(v.null('A foreman takes a PIN away, and sets none.')),
});
export type PersonPatch = v.InferOutput<typeof PersonPatchSchema>;

/** The code of a pairing link, and until when it works. */
export const PairingSchema = v.object({ code: v.string(), until: v.string() });
export type Pairing = v.InferOutput<typeof PairingSchema>;

/** Who asks: the person whose phone it is. `alone` while the shop has no other and no other phone. */
export const MeSchema = v.object({
  id: v.string(),
  name: v.string(),
  role: v.picklist(ROLES),
  phone: v.string(),
  alone: v.boolean(),
});
export type Me = v.InferOutput<typeof MeSchema>;

const phone = v.object({ id: v.string(), pairedAt: v.string(), seenAt: v.nullable(v.string()) });

/** The people of the shop with their phones, those who left last. */
export const PeopleSchema = v.array(
  v.object({
    id: v.string(),
    name: v.string(),
    role: v.picklist(ROLES),
    retired: v.boolean(),
    /** Whether a PIN is asked for before their name is used. */
    pin: v.boolean(),
    phones: v.array(phone),
  }),
);
export type Person = v.InferOutput<typeof PeopleSchema>[number];

/** The secret in the address of the calendar. */
export const CalendarSchema = v.object({ key: v.string() });

/** What is known before a phone is paired: it answers, and whether the demo can be entered here. */
export const HealthSchema = v.object({ ok: v.boolean(), run: v.string(), demo: v.boolean() });

const pin = v.pipe(
  v.string('A PIN is four to twelve digits.'),
  v.regex(/^\d{4,12}$/, 'A PIN is four to twelve digits.'),
);

/** One's own PIN is set, or taken away. */
export const PinPutSchema = v.object({ pin: v.nullable(pin) });
/** Somebody's PIN is tried. */
export const PinTrySchema = v.object({ name, pin });
export type PinTry = v.InferOutput<typeof PinTrySchema>;

/** The names that may be tapped on a phone of the shop, and whether a PIN is asked for each. */
export const NamesSchema = v.array(v.object({ name: v.string(), pin: v.boolean() }));
export type NameHere = v.InferOutput<typeof NamesSchema>[number];
