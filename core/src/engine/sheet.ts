import * as v from 'valibot';
import { BlobTypeSchema, Sha256Schema } from '../attachment';
import {
  degrees,
  LARGEST_LENGTH,
  LARGEST_TORQUE,
  listUpTo,
  MOST_HOURS,
  numberFrom,
  positive,
  textUpTo,
  wholeFrom,
  wordsUpTo,
} from '../bounds';
import { TorqueSchema } from '../torque/sequence';
import { KIND_NAMES } from './kinds';

/**
 * The engine sheet as it stands in the file. Everything a manual's page says about one
 * engine, in one JSON document. Only the shape is checked here; what a person gets wrong
 * although the shape is right (an order that repeats a cylinder, a mark at 400°) is found
 * by `parseSheet`. Unknown fields are kept: a newer sheet survives an older reader.
 */

const text = (message: string) => wordsUpTo(2000, message);
const name = (message: string) => wordsUpTo(200, message);

const cylinder = wholeFrom(1, 24, 'A cylinder is a whole number from 1 to 24.');

/** Minutes: an engine cools for days at most. */
const A_MONTH = 44_640;

const kind = v.picklist(
  KIND_NAMES,
  'The kind is one of intake, exhaust, injector, brake or bridge.',
);

const lobe = v.looseObject(
  {
    opens: degrees('Give the degrees after firing TDC at which the lobe opens.'),
    closes: degrees('Give the degrees after firing TDC at which the lobe closes.'),
    peak: v.optional(degrees('The peak is given in degrees after firing TDC.')),
  },
  'A lobe has opens and closes, in degrees after firing TDC.',
);

const setAt = v.union(
  [
    v.literal('base'),
    v.looseObject({
      peak: kind,
      within: v.optional(numberFrom(0, 720, 'Within is in degrees.')),
    }),
    v.looseObject({
      window: v.tuple([degrees('A window is in degrees.'), degrees('A window is in degrees.')]),
    }),
  ],
  'Set at is "base", { "peak": kind, "within": degrees } or { "window": [from, to] }.',
);

const figure = (name: string) =>
  wholeFrom(
    -LARGEST_LENGTH,
    LARGEST_LENGTH,
    `The ${name} is a number; in a file, whole µm (mN·m for a preload): 0.30 mm is 300.`,
  );

export const SpecSchema = v.looseObject(
  {
    low: figure('low limit'),
    target: figure('target'),
    high: figure('high limit'),
  },
  'A setting has low, target and high.',
);

const adjuster = v.looseObject({
  kind,
  perCylinder: v.optional(
    v.pipe(
      v.number('Adjusters per cylinder is a whole number.'),
      v.integer('Adjusters per cylinder is a whole number.'),
      v.minValue(1, 'There is at least one adjuster per cylinder.'),
      v.maxValue(4, 'There are at most four adjusters of a kind per cylinder.'),
    ),
  ),
  setAt: v.optional(setAt),
  guard: v.optional(numberFrom(0, 720, 'The guard is in degrees and not negative.')),
  lobe: v.optional(kind),
  follows: v.optional(wholeFrom(-24, 24, 'Follows is a whole number of places in firing order.')),
  after: v.optional(listUpTo(kind, 10, 'After is a list of kinds.')),
  measure: v.optional(
    v.picklist(['lash', 'height', 'preload'], 'The measure is lash, height or preload.'),
  ),
  method: v.optional(textUpTo(40, 'The method is a word: screw, shim, eccentric or preload.')),
  spec: v.optional(SpecSchema),
  locknut: v.optional(
    v.looseObject({
      torque: v.optional(numberFrom(0, LARGEST_TORQUE, 'A torque is in N·m and not negative.')),
    }),
  ),
  screw: v.optional(
    v.looseObject({
      pitch: numberFrom(-100_000, 100_000, 'The pitch is in µm a turn.'),
      ratio: numberFrom(-100, 100, 'The rocker ratio is a number such as 1.4.'),
      side: v.picklist(['pushrod', 'valve'], 'The screw is on the pushrod or the valve side.'),
    }),
  ),
});

const bank = v.looseObject({
  name: v.optional(textUpTo(80, 'The bank has a name.')),
  cylinders: v.pipe(
    listUpTo(cylinder, 24, 'List the cylinders from the front of the engine to its rear.'),
    v.nonEmpty('A bank has at least one cylinder.'),
  ),
  valves: v.optional(
    listUpTo(
      v.pipe(
        v.string('Spell the valves of a cylinder, front to rear, with E, I and J.'),
        v.regex(/^[EIJ]*$/, 'Spell valves with E, I and J only, for example "EI".'),
        v.maxLength(12, 'A cylinder has at most 12 of them.'),
      ),
      24,
      'List the valves of each cylinder, for example "EI".',
    ),
  ),
});

const mark = v.looseObject({
  name: name('A mark has a name, as stamped on the engine.'),
  at: degrees('A mark stands at an angle in degrees, 0 to 359.'),
});

/** What a stop of the chart sets: as many as an engine has. */
const setHere = listUpTo(textUpTo(40), 250, 'List what is set.');

const chartStop = v.union(
  [
    v.looseObject({ cylinder, at: v.picklist(['firing', 'overlap']), set: setHere }),
    v.looseObject({ mark: textUpTo(200), turn: v.picklist([1, 2]), set: setHere }),
    v.looseObject({ at: degrees('A stop stands at an angle in degrees.'), set: setHere }),
  ],
  'A stop of the chart says where (at, mark and turn, or cylinder) and lists what is set.',
);

const isolation = v.looseObject({
  id: name('An isolation has an id.'),
  text: text('Say what is done to make the engine unable to start.'),
  undo: text('Say how it is undone before starting.'),
});

export const SheetSchema = v.looseObject(
  {
    format: v.literal('longbar.sheet/1', 'The format must be "longbar.sheet/1".'),
    name: name('The sheet has the name of the engine.'),
    source: v.optional(
      v.looseObject({
        title: v.optional(textUpTo(300, 'The title of the manual.')),
        page: v.optional(textUpTo(100, 'The page of the manual.')),
        revision: v.optional(textUpTo(100, 'The revision of the manual.')),
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
          listUpTo(cylinder, 24, 'The firing order lists the cylinders.'),
          v.nonEmpty('The firing order names at least one cylinder.'),
        ),
        gaps: v.optional(
          listUpTo(degrees('A gap is in degrees.'), 24, 'Gaps is a list of degrees.'),
        ),
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
          listUpTo(bank, 8, 'The layout lists the banks.'),
          v.nonEmpty('There is at least one bank.'),
        ),
        numberedFrom: v.optional(textUpTo(100, 'Say which end number 1 is at.')),
      }),
    ),
    lobes: v.optional(
      v.looseObject({
        intake: v.optional(lobe),
        exhaust: v.optional(lobe),
        injector: v.optional(lobe),
        brake: v.optional(lobe),
        assumed: v.optional(
          v.union([v.boolean(), listUpTo(kind, 10)], 'Assumed is true, false or a list of kinds.'),
        ),
      }),
    ),
    adjusters: v.pipe(
      listUpTo(adjuster, 20, 'The sheet lists its adjusters.'),
      v.nonEmpty('There is at least one adjuster to set.'),
    ),
    temperature: v.optional(
      v.looseObject({
        state: v.picklist(['cold', 'hot'], 'The engine is set cold or hot.'),
        soakMinutes: v.optional(numberFrom(0, A_MONTH, 'The rest is in minutes and not negative.')),
        /** The metal's own temperature at which the figures hold, °C: it beats the clock. */
        metal: v.optional(
          v.looseObject({
            from: v.optional(numberFrom(-100, 400, 'A temperature is in °C.')),
            to: v.optional(numberFrom(-100, 400, 'A temperature is in °C.')),
          }),
        ),
        /** How long a hot engine may be worked on after it was shut down. */
        windowMinutes: v.optional(positive(A_MONTH, 'The window is in minutes.')),
      }),
    ),
    marks: v.optional(listUpTo(mark, 60, 'Marks is a list.')),
    barring: v.optional(
      v.looseObject({
        ratio: v.optional(
          positive(1000, 'The barring ratio is turns of the tool a turn of the crank.'),
        ),
        rim: v.optional(positive(100_000_000, 'The rim is its diameter in µm.')),
        teeth: v.optional(positive(10_000, 'The teeth of the ratchet.')),
      }),
    ),
    isolations: v.optional(listUpTo(isolation, 100, 'Isolations is a list.')),
    /** What is run down in sequence, before the lash or while closing up. */
    torques: v.optional(listUpTo(TorqueSchema, 60, 'Torques is a list.')),
    tools: v.optional(listUpTo(text('A tool has a name.'), 200, 'Tools is a list.')),
    parts: v.optional(listUpTo(text('A part has a name.'), 200, 'Parts is a list.')),
    /** What the maker warns of. */
    cautions: v.optional(listUpTo(text('A caution has words.'), 100, 'Cautions is a list.')),
    /** The manual's page, the marks on the damper: looked at beside the engine. */
    photos: v.optional(
      listUpTo(
        v.looseObject({
          sha256: Sha256Schema,
          type: BlobTypeSchema,
          what: text('Say what the photo shows.'),
        }),
        60,
        'Photos is a list.',
      ),
    ),
    /** The same engine with other figures, told by its data tag. */
    variants: v.optional(
      listUpTo(
        v.looseObject({
          tag: name('A variant is known by its data tag.'),
          adjusters: v.optional(listUpTo(v.looseObject({ kind, spec: SpecSchema }), 20)),
        }),
        300,
        'Variants is a list.',
      ),
    ),
    service: v.optional(
      v.looseObject({
        breakInHours: v.optional(positive(MOST_HOURS, 'Break-in is in hours.')),
        everyHours: v.optional(positive(MOST_HOURS, 'The interval is in hours.')),
        everyMonths: v.optional(positive(600, 'The interval is in months.')),
        /** How long a check takes, as a guess until some were made. */
        takesMinutes: v.optional(positive(10_000, 'A check takes so many minutes.')),
      }),
    ),
    chart: v.optional(listUpTo(chartStop, 100, 'The chart is a list of stops.')),
    /** What somebody found on looking again where the chart and the model differ. */
    chartAnswers: v.optional(
      listUpTo(
        v.looseObject({
          id: name('An answer names the adjuster.'),
          why: v.picklist(['on lobe', 'not placed', 'placed twice'], 'Say what differs.'),
          answer: text('Say what was found on the page.'),
          by: name('Say who looked.'),
          date: v.pipe(v.string(), v.isoDate('The day it was answered, as 2026-05-02.')),
        }),
        500,
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
