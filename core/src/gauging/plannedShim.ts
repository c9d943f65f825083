/** A bucket as planned; `from` is a bucket's id (its own: left alone), `stock` or `buy`. */
export type PlannedShim = {
  id: string;
  old: number;
  new: number;
  from: string;
  /** The lash it will have, µm. */
  lash: number;
  /** The sum as one writes it down, mm. */
  sum: string;
  /** What it was planned for where that is not the maker's target, µm. */
  aimed?: number | undefined;
};
