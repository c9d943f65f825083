import type { Dialect } from '../dialect';

/** As SQLite says it: a field of a document is of the kind that it has there. */
export const SQLITE: Dialect = {
  field,
  number: field,
  isJson: (column) => `json_valid(${column})`,
  contains: (column, bound) => `${column} LIKE ${bound} ESCAPE '\\'`,
  inList: (bound) => `IN (SELECT value FROM json_each(${bound}))`,
  elements: (bound) => `json_each(${bound})`,
  cell: (place) => `json_extract(value, '$[${place}]')`,
};

function field(column: string, path: string): string {
  return `json_extract(${column}, '$.${path}')`;
}
