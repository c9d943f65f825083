import * as v from 'valibot';

/** A column that is true or false: SQLite keeps it as a number, PostgreSQL as what it is. */
export const truth = v.pipe(
  v.union([v.boolean(), v.picklist([0, 1])]),
  v.transform((kept) => Boolean(kept)),
);

/** Rows as their schema has them. Throws with the column that is not as it should be. */
export function readRows<Row>(
  schema: v.GenericSchema<unknown, Row>,
  rows: readonly unknown[],
): Row[] {
  return rows.map((row) => {
    const read = v.safeParse(schema, row);
    if (read.success) return read.output;
    const [issue] = read.issues;
    throw new Error(
      `What is kept cannot be read (${v.getDotPath(issue) ?? 'a row'}): ${issue.message}`,
    );
  });
}
