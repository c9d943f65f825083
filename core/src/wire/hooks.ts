import * as v from 'valibot';
import { AddressSchema } from './address';
import { aboutMachine } from './machineForm';
import { hoursReading, jobLine, nextDue } from './machines';

/** A program elsewhere that is told what happens: its address. */
export const HookPostSchema = v.object({ address: AddressSchema });
export type HookPost = v.InferOutput<typeof HookPostSchema>;

/** A program that is told; its secret is not told again. */
const hook = v.object({
  id: v.string(),
  address: v.string(),
  /** So many messages it took, wait to be sent, and were given up. */
  told: v.number(),
  waiting: v.number(),
  givenUp: v.number(),
  /** The last try: when, and what was wrong then. */
  last: v.nullable(v.object({ at: v.string(), problem: v.nullable(v.string()) })),
  /** When what waits is tried next. */
  nextAt: v.nullable(v.string()),
});
export type Hook = v.InferOutput<typeof hook>;

export const HooksSchema = v.array(hook);

/** A program was added, or has another secret, which is told this once. */
export const NewHookSchema = v.object({ hooks: HooksSchema, secret: v.string() });
export type NewHook = v.InferOutput<typeof NewHookSchema>;

const machine = v.object({ id: v.string(), name: v.string(), engine: v.string(), ...aboutMachine });

const message = <Type extends string, Data extends v.GenericSchema>(type: Type, data: Data) =>
  v.object({ type: v.literal(type), timestamp: v.string(), data });

/** What is told, by its type. */
export const HookMessageSchemas = {
  /** A job was signed: what it set, and the seal of its record. */
  'record.signed': message(
    'record.signed',
    v.object({ machine, job: jobLine, seal: v.string(), due: v.nullable(nextDue) }),
  ),
  /** A check is soon or overdue: told once each, until the next one is signed. */
  'machine.due': message(
    'machine.due',
    v.object({
      machine,
      urgency: v.picklist(['soon', 'overdue']),
      hours: v.nullable(hoursReading),
      due: nextDue,
    }),
  ),
  /** Somebody tries whether it arrives. */
  test: message('test', v.object({ shop: v.string() })),
};
export type HookMessage = {
  [Type in keyof typeof HookMessageSchemas]: v.InferOutput<(typeof HookMessageSchemas)[Type]>;
}[keyof typeof HookMessageSchemas];
