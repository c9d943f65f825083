/** One sheet of paper of labels, lengths in mm. */
export type LabelFormat = {
  /** Width and height of one label. */
  label: { width: number; height: number };
  columns: number;
  rows: number;
};

/** What is stuck beside the machine's plate: read from a step away. */
export const MACHINE_LABEL: LabelFormat = {
  label: { width: 90, height: 50 },
  columns: 2,
  rows: 5,
};

/** What is stuck on the engine after a job. */
export const ENGINE_LABEL: LabelFormat = {
  label: { width: 60, height: 38 },
  columns: 3,
  rows: 7,
};

/**
 * The sheets that so many labels take, each a list of places with the number of its label from 0,
 * or nothing. `skip` places of the first sheet are used up already.
 *
 * @example sheetsOf(2, 1, { label: { width: 90, height: 50 }, columns: 1, rows: 2 }) // [[null, 0], [1, null]]
 */
export function sheetsOf(
  count: number,
  skip: number,
  { columns, rows }: LabelFormat,
): (number | null)[][] {
  const places = columns * rows;
  const before = Math.min(Math.max(0, Math.floor(skip)), places - 1);
  const sheets = Math.max(1, Math.ceil((count + before) / places));
  return Array.from({ length: sheets }, (_, sheet) =>
    Array.from({ length: places }, (__, place) => {
      const label = sheet * places + place - before;
      return label >= 0 && label < count ? label : null;
    }),
  );
}
