import * as v from 'valibot';
import { BlobTypeSchema, Sha256Schema } from '../attachment';
import { TorqueSchema } from '../torque/sequence';
import { KIND_NAMES } from './kinds';

/**
 * The engine sheet as it stands in the file. Everything a manual's page says about one
 * engine, in one JSON document. Only the shape is checked here; what a person gets wrong
 * although the shape is right (an order that repeats a cylinder, a mark at 400°) is found
 * by `parseSheet`. Unknown fields are kept: a newer sheet survives an older reader.
 */

const number = (message: string) => v.pipe(v.number(message), v.finite(message));
const wholeNumber = (message: string) => v.pipe(v.number(message), v.integer(message));
const text = (message: string) => v.pipe(v.string(message), v.trim(), v.nonEmpty(message));

const cylinder = v.pipe(
  wholeNumber('A cylinder is a whole number from 1 to 24.'),
  v.minValue(1, 'A cylinder is a whole number from 1 to 24.'),
  v.maxValue(24, 'A cylinder is a whole number from 1 to 24.'),
);

const kind = v.picklist(
  KIND_NAMES,
  'The kind is one of intake, exhaust, injector, brake or bridge.',
);

const lobe = v.looseObject(
  {
    opens: number('Give the degrees after firing TDC at which the lobe opens.'),
    closes: number('Give the degrees after firing TDC at which the lobe closes.'),
    peak: v.optional(number('The peak is given in degrees after firing TDC.')),
  },
  'A lobe has opens and closes, in degrees after firing TDC.',
);

const setAt = v.union(
  [
    v.literal('base'),
    v.looseObject({
      peak: kind,
      within: v.optional(v.pipe(number(''), v.minValue(0))),
    }),
    v.looseObject({ window: v.tuple([number(''), number('')]) }),
  ],
  'Set at is "base", { "peak": kind, "within": degrees } or { "window": [from, to] }.',
);

export const SpecSchema = v.looseObject(
  {
    low: wholeNumber('The low limit is a whole number of µm (mN·m for a preload): 0.30 mm is 300.'),
    target: wholeNumber('The target is a whole number of µm (mN·m for a preload): 0.30 mm is 300.'),
    high: wholeNumber(
      'The high limit is a whole number of µm (mN·m for a preload): 0.30 mm is 300.',
    ),
  },
  'A setting has low, target and high.',
);

const adjuster = v.looseObject({
  kind,
  perCylinder: v.optional(
    v.pipe(
      wholeNumber('Adjusters per cylinder is a whole number.'),
      v.minValue(1, 'There is at least one adjuster per cylinder.'),
      v.maxValue(4, 'There are at most four adjusters of a kind per cylinder.'),
    ),
  ),
  setAt: v.optional(setAt),
  guard: v.optional(
    v.pipe(number('The guard is in degrees.'), v.minValue(0, 'The guard is not negative.')),
  ),
  lobe: v.optional(kind),
  follows: v.optional(wholeNumber('Follows is a whole number of places in firing order.')),
  after: v.optional(v.array(kind, 'After is a list of kinds.')),
  measure: v.optional(
    v.picklist(['lash', 'height', 'preload'], 'The measure is lash, height or preload.'),
  ),
  method: v.optional(v.string('The method is a word: screw, shim, eccentric or preload.')),
  spec: v.optional(SpecSchema),
  locknut: v.optional(
    v.looseObject({
      torque: v.optional(
        v.pipe(number('A torque is in N·m.'), v.minValue(0, 'A torque is not negative.')),
      ),
    }),
  ),
  screw: v.optional(
    v.looseObject({
      pitch: number('The pitch is in µm a turn.'),
      ratio: number('The rocker ratio is a number such as 1.4.'),
      side: v.picklist(['pushrod', 'valve'], 'The screw is on the pushrod or the valve side.'),
    }),
  ),
});

const bank = v.looseObject({
  name: v.optional(v.string('The bank has a name.')),
  cylinders: v.pipe(
    v.array(cylinder, 'List the cylinders from the front of the engine to its rear.'),
    v.nonEmpty('A bank has at least one cylinder.'),
  ),
  valves: v.optional(
    v.array(
      v.pipe(
        v.string('Spell the valves of a cylinder, front to rear, with E, I and J.'),
        v.regex(/^[EIJ]*$/, 'Spell valves with E, I and J only, for example "EI".'),
      ),
      'List the valves of each cylinder, for example "EI".',
    ),
  ),
});

const mark = v.looseObject({
  name: text('A mark has a name, as stamped on the engine.'),
  at: number('A mark stands at an angle in degrees, 0 to 359.'),
});

const chartStop = v.union(
  [
    v.looseObject({ cylinder, at: v.picklist(['firing', 'overlap']), set: v.array(v.string()) }),
    v.looseObject({ mark: v.string(), turn: v.picklist([1, 2]), set: v.array(v.string()) }),
    v.looseObject({ at: number(''), set: v.array(v.string()) }),
  ],
  'A stop of the chart says where (at, mark and turn, or cylinder) and lists what is set.',
);

const isolation = v.looseObject({
  id: text('An isolation has an id.'),
  text: text('Say what is done to make the engine unable to start.'),
  undo: text('Say how it is undone before starting.'),
});

const positive = (message: string) => v.pipe(number(message), v.minValue(0.001, message));

export const SheetSchema = v.looseObject(
  {
    format: v.literal('longbar.sheet/1', 'The format must be "longbar.sheet/1".'),
    name: text('The sheet has the name of the engine.'),
    source: v.optional(
      v.looseObject({
        title: v.optional(v.string('The title of the manual.')),
        page: v.optional(v.string('The page of the manual.')),
        revision: v.optional(v.string('The revision of the manual.')),
        checked: v.optional(
          v.pipe(
            v.string('The day it was last checked, as 2026-05-02.'),
            v.isoDate('The day it was last checked, as 2026-05-02.'),
          ),
        ),
      }),
    ),
    cycle: v.picklist([4, 2], 'The cycle is 4 or 2 strokes.'),
    firing: v.looseObject(
      {
        order: v.pipe(
          v.array(cylinder, 'The firing order lists the cylinders.'),
          v.nonEmpty('The firing order names at least one cylinder.'),
        ),
        gaps: v.optional(v.array(number('A gap is in degrees.'), 'Gaps is a list of degrees.')),
      },
      'The sheet needs a firing order.',
    ),
    rotation: v.optional(
      v.looseObject({
        seenFrom: v.picklist(
          ['front', 'rear', 'flywheel'],
          'Rotation is seen from the front, the rear or the flywheel.',
        ),
        sense: v.picklist(
          ['clockwise', 'counterclockwise'],
          'The sense is clockwise or counterclockwise.',
        ),
        reversible: v.optional(v.boolean('Reversible is true or false.')),
      }),
    ),
    layout: v.optional(
      v.looseObject({
        banks: v.pipe(
          v.array(bank, 'The layout lists the banks.'),
          v.nonEmpty('There is at least one bank.'),
        ),
        numberedFrom: v.optional(v.string('Say which end number 1 is at.')),
      }),
    ),
    lobes: v.optional(
      v.looseObject({
        intake: v.optional(lobe),
        exhaust: v.optional(lobe),
        injector: v.optional(lobe),
        brake: v.optional(lobe),
        assumed: v.optional(
          v.union([v.boolean(), v.array(kind)], 'Assumed is true, false or a list of kinds.'),
        ),
      }),
    ),
    adjusters: v.pipe(
      v.array(adjuster, 'The sheet lists its adjusters.'),
      v.nonEmpty('There is at least one adjuster to set.'),
    ),
    temperature: v.optional(
      v.looseObject({
        state: v.picklist(['cold', 'hot'], 'The engine is set cold or hot.'),
        soakMinutes: v.optional(
          v.pipe(number('The rest is in minutes.'), v.minValue(0, 'The rest is not negative.')),
        ),
        /** The metal's own temperature at which the figures hold, °C: it beats the clock. */
        metal: v.optional(
          v.looseObject({
            from: v.optional(number('A temperature is in °C.')),
            to: v.optional(number('A temperature is in °C.')),
          }),
        ),
        /** How long a hot engine may be worked on after it was shut down. */
        windowMinutes: v.optional(positive('The window is in minutes.')),
      }),
    ),
    marks: v.optional(v.array(mark, 'Marks is a list.')),
    barring: v.optional(
      v.looseObject({
        ratio: v.optional(positive('The barring ratio is turns of the tool a turn of the crank.')),
        rim: v.optional(positive('The rim is its diameter in µm.')),
        teeth: v.optional(positive('The teeth of the ratchet.')),
      }),
    ),
    isolations: v.optional(v.array(isolation, 'Isolations is a list.')),
    /** What is run down in sequence, before the lash or while closing up. */
    torques: v.optional(v.array(TorqueSchema, 'Torques is a list.')),
    tools: v.optional(v.array(text('A tool has a name.'), 'Tools is a list.')),
    parts: v.optional(v.array(text('A part has a name.'), 'Parts is a list.')),
    /** What the maker warns of. */
    cautions: v.optional(v.array(text('A caution has words.'), 'Cautions is a list.')),
    /** The manual's page, the marks on the damper: looked at beside the engine. */
    photos: v.optional(
      v.array(
        v.looseObject({
          sha256: Sha256Schema,
          type: BlobTypeSchema,
          what: text('Say what the photo shows.'),
        }),
        'Photos is a list.',
      ),
    ),
    /** The same engine with other figures, told by its data tag. */
    variants: v.optional(
      v.array(
        v.looseObject({
          tag: text('A variant is known by its data tag.'),
          adjusters: v.optional(v.array(v.looseObject({ kind, spec: SpecSchema }))),
        }),
        'Variants is a list.',
      ),
    ),
    service: v.optional(
      v.looseObject({
        breakInHours: v.optional(positive('Break-in is in hours.')),
        everyHours: v.optional(positive('The interval is in hours.')),
        everyMonths: v.optional(positive('The interval is in months.')),
      }),
    ),
    chart: v.optional(v.array(chartStop, 'The chart is a list of stops.')),
    /** What somebody found on looking again where the chart and the model differ. */
    chartAnswers: v.optional(
      v.array(
        v.looseObject({
          id: text('An answer names the adjuster.'),
          why: v.picklist(['on lobe', 'not placed', 'placed twice'], 'Say what differs.'),
          answer: text('Say what was found on the page.'),
          by: text('Say who looked.'),
          date: v.pipe(v.string(), v.isoDate('The day it was answered, as 2026-05-02.')),
        }),
        'Answers is a list.',
      ),
    ),
  },
  'An engine sheet is one JSON object.',
);

export type EngineSheet = v.InferOutput<typeof SheetSchema>;
export type AdjusterEntry = EngineSheet['adjusters'][number];
export type Lobe = { opens: number; closes: number; peak?: number | undefined };
export type Spec = { low: number; target: number; high: number };
export type Mark = { name: string; at: number };
export type Isolation = { id: string; text: string; undo: string };
export type ChartStop = NonNullable<EngineSheet['chart']>[number];
