import type { CellKind, Dialect } from '../dialect';

/**
 * As PostgreSQL says it: what comes out of a document is text, and is made what it is. Documents are
 * kept as they were written, so `json`, which keeps them so.
 */
export const POSTGRES: Dialect = {
  field,
  number: (column, path) => `CAST(${field(column, path)} AS DOUBLE PRECISION)`,
  // Its own test for JSON came only with a later version than the earliest that is served.
  isJson: (column) => `longbar_is_json(${column})`,
  contains: (column, bound) => `${column} ILIKE ${bound} ESCAPE '\\'`,
  // As an array an index is asked for each; of a list that is selected every row would be looked at.
  inList: (bound) => `= ANY (ARRAY(SELECT json_array_elements_text(CAST(${bound} AS json))))`,
  elements: (bound) => `json_array_elements(CAST(${bound} AS json))`,
  cell: (place, kind) =>
    kind ? `CAST(value ->> ${place} AS ${KINDS[kind]})` : `value ->> ${place}`,
};

const KINDS: Record<CellKind, string> = {
  whole: 'INTEGER',
  number: 'DOUBLE PRECISION',
  truth: 'BOOLEAN',
};

function field(column: string, path: string): string {
  return `(CAST(${column} AS json) #>> '{${path.replaceAll('.', ',')}}')`;
}
