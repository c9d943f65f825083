import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import { HEAD_VIEWS, HoursColumnsSchema, ROLES, STANDS_AT, UnitsSchema } from '@longbar/core';
import * as v from 'valibot';

/** Each with what it is where nothing, or nothing that can be read, is remembered of it. */
const PreferencesSchema = v.object({
  theme: v.fallback(v.picklist(['system', 'day', 'night']), 'system'),
  /** Who works with this phone. */
  name: v.fallback(v.string(), ''),
  /** Everyone who worked with this phone since it was paired. */
  names: v.fallback(v.array(v.string()), []),
  /** Whose phone this is, as the server said last. */
  holder: v.fallback(
    v.nullable(
      v.object({ id: v.string(), name: v.string(), role: v.picklist(ROLES), phone: v.string() }),
    ),
    null,
  ),
  /** The blade set in hand, by name. */
  bladeSet: v.fallback(v.nullable(v.string()), null),
  /** Blades marked worn or bent, µm, by the name of their set. */
  worn: v.fallback(v.record(v.string(), v.array(v.number())), {}),
  /** Whether blades are laid out thick ones first. */
  thickFirst: v.fallback(v.boolean(), false),
  /** Whether the next valve and what was tapped is said aloud. */
  aloud: v.fallback(v.boolean(), false),
  /** The units of the shop, known before it answers. */
  units: v.fallback(v.nullable(UnitsSchema), null),
  /** The end of the engine that one stands at; null as the sheet has it. */
  standsAt: v.fallback(v.nullable(v.picklist(STANDS_AT)), null),
  /** How one looks at the head on the map. */
  headView: v.fallback(v.picklist(HEAD_VIEWS), 'along'),
  /** The torque adapter in hand, its lengths in mm and its angle in degrees. */
  adapter: v.fallback(
    v.nullable(v.object({ wrench: v.number(), adapter: v.number(), angle: v.number() })),
    null,
  ),
  /** The gauge at this phone: one that types, one on a serial port with its settings, or none real. */
  gauge: v.fallback(
    v.object({
      kind: v.picklist(['typed', 'serial', 'simulated']),
      baudRate: v.pipe(v.number(), v.integer(), v.minValue(50)),
      frame: v.string(),
    }),
    { kind: 'typed', baudRate: 9600, frame: '8 N 1' },
  ),
  /** How somebody did at practice on this phone, by exercise and level. */
  practice: v.fallback(
    v.record(v.string(), v.object({ best: v.number(), rounds: v.number() })),
    {},
  ),
  /** Which columns of a table of hours hold what, by the table's line of headings. */
  hoursColumns: v.fallback(v.record(v.string(), HoursColumnsSchema), {}),
});
export type Preferences = v.InferOutput<typeof PreferencesSchema>;

const KEY = 'longbar.preferences';

/** What this phone remembers of its user; what cannot be read is as if never set, and the rest stays. */
function rememberedPreferences(): Preferences {
  try {
    return v.parse(PreferencesSchema, JSON.parse(localStorage.getItem(KEY) ?? ''));
  } catch {
    return v.parse(PreferencesSchema, {});
  }
}

export function rememberPreferences(preferences: Preferences): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(preferences));
  } catch {
    // A browser that keeps nothing still works; only the choice is asked again.
  }
}

const preferences = createSlice({
  name: 'preferences',
  initialState: rememberedPreferences,
  reducers: {
    preferencesChanged: (state, { payload }: PayloadAction<Partial<Preferences>>) => {
      Object.assign(state, payload);
      const { name, names } = state;
      if (name !== '' && !names.includes(name)) names.push(name);
    },
  },
});

export const { preferencesChanged } = preferences.actions;
export const preferencesReducer = preferences.reducer;
