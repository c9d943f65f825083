import { isRefused } from './result';
import * as v from 'valibot';
import { EVERY_ACT, head, journal, uuid } from '../test-support/journal';
import { inlineSix } from '../test-support/engines';
import {
  ARCHIVE_LINES,
  BeatSchema,
  HoursCorrectionSchema,
  HoursFileSchema,
  HoursPostSchema,
  JobEventsSchema,
  JobHeadSchema,
  MachinePatchSchema,
  MachinePostSchema,
  parseSheet,
  SearchSchema,
  SheetsImportSchema,
  ShopSchema,
} from '.';

type Node = {
  type: string;
  pipe?: readonly Node[];
  entries?: Record<string, Node>;
  item?: Node;
  items?: readonly Node[];
  options?: readonly (Node | string)[];
  wrapped?: Node;
  value?: Node;
  key?: Node;
  getter?: (input: unknown) => Node;
};

const LIMITS: Record<string, readonly string[]> = {
  number: ['max_value'],
  string: ['max_length', 'regex', 'iso_date', 'iso_timestamp', 'base64'],
  array: ['max_length'],
};
/** A pattern bounds the length only where nothing in it repeats without end. */
const ENDLESS = /(^|[^\\])[*+]|\{\d+,\}/;

/** The paths of what may be as large or as long as anybody likes. */
function unbounded(node: Node, path: string, input: unknown): string[] {
  const own = flat(node);
  const limits = LIMITS[node.type];
  const has = limits?.some((limit) =>
    own.some((part) => part.type === limit && !(limit === 'regex' && isEndless(part))),
  );
  const here = limits && !has ? [path] : [];
  const inside = (next: Node | undefined, name: string) =>
    next && typeof next === 'object' ? unbounded(next, `${path}${name}`, input) : [];
  // The first of a pipe is the schema itself.
  const shape = own[0] === node ? node : { ...own[0], ...node };
  return [
    ...here,
    ...Object.entries(shape.entries ?? {}).flatMap(([name, next]) => inside(next, `.${name}`)),
    ...inside(shape.item, '[]'),
    ...(shape.items ?? []).flatMap((next) => inside(next, '[]')),
    ...(shape.type === 'union' ? (shape.options ?? []) : []).flatMap((next) =>
      typeof next === 'string' ? [] : inside(next, ''),
    ),
    ...inside(shape.wrapped, ''),
    ...inside(typeof shape.value === 'object' ? shape.value : undefined, '{}'),
    ...(shape.getter ? inside(shape.getter(input), '') : []),
  ];
}

/** A schema and what its pipes hold it to. */
function flat(node: Node): readonly Node[] {
  const [first, ...rest] = node.pipe ?? [node];
  return first && first !== node && first.pipe
    ? [...flat(first), ...rest]
    : [first ?? node, ...rest];
}

function isEndless(part: Node): boolean {
  const { requirement } = part as unknown as { requirement: RegExp };
  return ENDLESS.test(requirement.source);
}

const looked = (schema: v.GenericSchema, name: string, input: unknown = {}) =>
  unbounded(schema as unknown as Node, name, input);

describe('every field that comes in has its bounds', () => {
  it.each(
    Object.entries({
      beat: BeatSchema,
      correction: HoursCorrectionSchema,
      'hours file': HoursFileSchema,
      hours: HoursPostSchema,
      head: JobHeadSchema,
      machine: MachinePostSchema,
      change: MachinePatchSchema,
      search: SearchSchema,
      sheets: SheetsImportSchema,
      shop: ShopSchema,
    }),
  )('of a %s', (name, schema) => {
    expect(looked(schema, name)).toEqual([]);
  });

  it('of every type of event', () => {
    const types = [...new Set(EVERY_ACT.map(({ type }) => type))];
    expect(types.length).toBeGreaterThan(40);
    for (const type of types) expect(looked(JobEventsSchema, type, { type })).toEqual([]);
    expect(looked(JobEventsSchema, 'unknown', { type: 'of a later version' })).toEqual([]);
  });

  it('of every line of an archive', () => {
    for (const [type, schema] of Object.entries(ARCHIVE_LINES)) {
      expect(looked(schema, type, { type: 'bar.out' })).toEqual([]);
    }
  });
});

describe('what is beyond its bounds', () => {
  const paths = (sheet: object) => {
    const parsed = parseSheet(sheet);
    return !isRefused(parsed) ? [] : parsed.issues.map(({ path }) => path);
  };
  it('of a sheet is refused by its field', () => {
    const sheet = inlineSix();
    expect(paths(sheet)).toEqual([]);
    const service = { everyMonths: 1e9 };
    expect(paths({ ...sheet, service })).toEqual(['service.everyMonths']);
    const stop = { at: 0, set: ['intake.1'] };
    expect(paths({ ...sheet, chart: Array(101).fill(stop) })).toEqual(['chart']);
    expect(paths({ ...sheet, chart: Array(12_000).fill(stop) })).toEqual(['']);
    expect(paths({ ...sheet, cautions: ['x'.repeat(3000)] })).toEqual(['cautions.0']);
    expect(paths({ ...sheet, notes: 'x'.repeat(392_000) })).toEqual(['']);
  });

  it.each([
    ['at', '1989-12-31T23:59:59Z', /from 1990 to 2100/],
    ['at', '2101-01-01T00:00:00Z', /from 1990 to 2100/],
    ['at', '2026-02-30T08:00:00Z', /no such date/],
    ['at', 'yesterday', /An instant is written/],
    ['n', Number.MAX_SAFE_INTEGER + 2, /n is a whole number/],
    ['by', 'x'.repeat(81), /At most 80/],
  ])('of an event is refused: %s %s', (field, value, says) => {
    const [event] = journal([{ type: 'bar.out' }]);
    const parsed = v.safeParse(JobEventsSchema, [{ ...event, [field]: value }]);
    expect(parsed.success).toBe(false);
    expect(parsed.issues?.map(({ message }) => message).join()).toMatch(says);
  });

  it('keeps the instants that earlier versions wrote', () => {
    const [event] = journal([{ type: 'bar.out' }]);
    for (const at of [
      '2026-05-02T08:12:00Z',
      '2026-05-02T08:12:00.000Z',
      '2026-05-02T08:12:00+02:00',
    ]) {
      expect(v.is(JobEventsSchema, [{ ...event, at }])).toBe(true);
    }
  });

  it('of a machine and its hours too', () => {
    const machine = { id: uuid(7), name: 'Skiff', sheet: head.machine };
    expect(v.is(MachinePostSchema, { ...machine, inServiceSince: '1899-12-31' })).toBe(false);
    expect(v.is(MachinePostSchema, { ...machine, inServiceSince: '1900-01-01' })).toBe(true);
    expect(v.is(HoursPostSchema, { date: '2026-05-02', hours: 1_000_001 })).toBe(false);
  });
});
