import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import { HEAD_VIEWS, HoursColumnsSchema, ROLES, STANDS_AT, UnitsSchema } from '@longbar/core';
import * as v from 'valibot';

const PreferencesSchema = v.object({
  theme: v.picklist(['system', 'day', 'night']),
  /** Who works with this phone. */
  name: v.string(),
  /** Everyone who worked with this phone since it was paired. */
  names: v.optional(v.array(v.string()), []),
  /** Whose phone this is, as the server said last. */
  holder: v.optional(
    v.nullable(
      v.object({ id: v.string(), name: v.string(), role: v.picklist(ROLES), phone: v.string() }),
    ),
    null,
  ),
  /** The blade set in hand, by name. */
  bladeSet: v.nullable(v.string()),
  /** Blades marked worn or bent, µm, by the name of their set. */
  worn: v.optional(v.record(v.string(), v.array(v.number())), {}),
  /** Whether blades are laid out thick ones first. */
  thickFirst: v.optional(v.boolean(), false),
  /** Whether the next valve and what was tapped is said aloud. */
  aloud: v.optional(v.boolean(), false),
  /** The units of the shop, known before it answers. */
  units: v.optional(v.nullable(UnitsSchema), null),
  /** The end of the engine that one stands at; null as the sheet has it. */
  standsAt: v.optional(v.nullable(v.picklist(STANDS_AT)), null),
  /** How one looks at the head on the map. */
  headView: v.optional(v.picklist(HEAD_VIEWS), 'along'),
  /** The torque adapter in hand, its lengths in mm and its angle in degrees. */
  adapter: v.optional(
    v.nullable(v.object({ wrench: v.number(), adapter: v.number(), angle: v.number() })),
    null,
  ),
  /** The gauge at this phone: one that types, one on a serial port with its settings, or none real. */
  gauge: v.optional(
    v.object({
      kind: v.picklist(['typed', 'serial', 'simulated']),
      baudRate: v.pipe(v.number(), v.integer(), v.minValue(50)),
      frame: v.string(),
    }),
    { kind: 'typed', baudRate: 9600, frame: '8 N 1' },
  ),
  /** How somebody did at practice on this phone, by exercise and level. */
  practice: v.optional(
    v.record(v.string(), v.object({ best: v.number(), rounds: v.number() })),
    {},
  ),
  /** Which columns of a table of hours hold what, by the table's line of headings. */
  hoursColumns: v.optional(v.record(v.string(), HoursColumnsSchema), {}),
});
export type Preferences = v.InferOutput<typeof PreferencesSchema>;

const KEY = 'longbar.preferences';
const plain: Preferences = {
  theme: 'system',
  name: '',
  names: [],
  holder: null,
  bladeSet: null,
  worn: {},
  thickFirst: false,
  aloud: false,
  units: null,
  standsAt: null,
  headView: 'along',
  adapter: null,
  gauge: { kind: 'typed', baudRate: 9600, frame: '8 N 1' },
  practice: {},
  hoursColumns: {},
};

/** What this phone remembers of its user; what cannot be read is as if never set. */
function rememberedPreferences(): Preferences {
  try {
    const result = v.safeParse(PreferencesSchema, JSON.parse(localStorage.getItem(KEY) ?? ''));
    return result.success ? result.output : plain;
  } catch {
    return plain;
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
