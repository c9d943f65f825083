import type { AboutMachine, MachinePatch, MachinePost } from '../wire/machineForm';
import type { Baseline } from './baseline';

/** What people type of a machine. */
export type MachineFields = { name: string; baseline: Baseline; about: AboutMachine };

/**
 * What stands of a machine that was just added.
 *
 * @example fieldsOf({ id: '1', name: 'Pump', sheet: '2', place: 'Quay' }).about // { place: 'Quay' }
 */
export function fieldsOf(machine: MachinePost): MachineFields {
  const { id: _id, name, sheet: _sheet, inServiceSince, hoursThen, hoursAYear, ...about } = machine;
  const known = { last: null, breakInDone: false, inServiceSince, hoursThen, hoursAYear };
  return { name, baseline: there(known), about: there(about) };
}

/**
 * What stands of a machine after a change: what is left out stays, what is null goes.
 *
 * @example changedFields({ name: 'Pump', baseline: { last: null, breakInDone: true }, about: { place: 'Quay' } }, { place: null, serial: 'S-1' }).about
 *   // { serial: 'S-1' }
 */
export function changedFields(before: MachineFields, patch: MachinePatch): MachineFields {
  const { name, inServiceSince, hoursThen, hoursAYear, ...rest } = patch;
  const { sheet: _sheet, sheetRevision: _revision, retired: _retired, ...about } = rest;
  return {
    name: name ?? before.name,
    baseline: patched(before.baseline, { inServiceSince, hoursThen, hoursAYear }),
    about: patched(before.about, about),
  };
}

type Changes<T> = { [K in keyof T]?: T[K] | null | undefined };

function patched<T extends object>(before: T, changes: Changes<T>): T {
  const given = Object.entries(changes).filter(([, value]) => value !== undefined);
  return there({ ...before, ...Object.fromEntries(given) });
}

/** Without what is not there: in JSON it would come back as null. A last check may be null. */
function there<T extends object>(of: T): T {
  const kept = { ...of };
  for (const [key, value] of Object.entries(of)) {
    const is = value !== undefined && (value !== null || key === 'last');
    if (!is) Reflect.deleteProperty(kept, key);
  }
  return kept;
}
