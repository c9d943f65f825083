/*
 * The words of a statement that every database has and each says in its own way. This is how SQLite
 * says them; nothing outside this room names a function that only one database knows.
 */

/** A field of a JSON document that stands in a column, by its path: `field('summary', 'signed')`. */
export const field = (column: string, path: string) => `json_extract(${column}, '$.${path}')`;

/** Whether a column holds JSON at all: bytes that rotted are none. */
export const isJson = (column: string) => `json_valid(${column})`;

/** The texts of a JSON array that is bound, for `IN`: `inList('$1')`. */
export const inList = (bound: string) => `IN (SELECT value FROM json_each(${bound}))`;

/** The elements of a JSON array that is bound, as rows with one column `value`. */
export const elements = (bound: string) => `json_each(${bound})`;

/** A cell of such an element that is an array itself: many rows are added by one statement. */
export const cell = (place: number) => `json_extract(value, '$[${place}]')`;

/** The first of two where a condition holds, else nothing. */
export const onlyIf = (condition: string, value: string) =>
  `CASE WHEN ${condition} THEN ${value} END`;
