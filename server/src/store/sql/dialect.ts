/** What a cell of a bound table is, besides a text. */
export type CellKind = 'whole' | 'number' | 'truth';

/**
 * The words of a statement that every database has and each says in its own way. All else that the
 * store asks is the same for each of them.
 */
export type Dialect = {
  /** A field of a JSON document that stands in a column, as text: `field('summary', 'signed')`. */
  field(column: string, path: string): string;
  /** The same of a field that is a number. */
  number(column: string, path: string): string;
  /** Whether a column holds JSON at all: bytes that rotted are none. */
  isJson(column: string): string;
  /** Whether a column holds what is looked for, in whatever case; the pattern is bound. */
  contains(column: string, bound: string): string;
  /** The texts of a JSON array that is bound, for `IN`: `inList('$1')`. */
  inList(bound: string): string;
  /** The elements of a JSON array that is bound, as rows with one column `value`. */
  elements(bound: string): string;
  /** A cell of such an element that is an array itself: many rows are added by one statement. */
  cell(place: number, kind?: CellKind): string;
};
