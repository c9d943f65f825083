import type { Listened } from './listen';
import { LOOKS, ROW_HERTZ, ROWS } from './spectrogram';

/** A sound over time and frequency, in columns and rows of one unit each; low tones at the bottom. */
export type SoundPicture = {
  columns: number;
  rows: number;
  /** What it shows: seconds from left to right, and Hz from bottom to top. */
  seconds: number;
  hertz: number;
  /** The outline of what is at least so loud, as the path of an SVG; each level lies on the last. */
  levels: string[];
  /** The columns at which something ticks. */
  marks: number[];
};

/** About five cycles of an idle: ticks stand apart, and one sees that they come again. */
const SECONDS = 1;
/** Looks of a column; each is as loud as its loudest look. */
const PER_COLUMN = 8;
/** Rows of the spectrogram of a row. */
const PER_ROW = 2;
/** From the loudest downwards, dB. */
const LEVELS = [-34, -27, -20, -13, -7];

/**
 * A second from the middle of a clip, with what ticks marked.
 *
 * @example soundPicture(listen(sound, heardEngine(six))).columns // 125
 */
export function soundPicture({ spectrogram, marks }: Listened): SoundPicture {
  const { looks, power } = spectrogram;
  const span = Math.min(looks, SECONDS * LOOKS);
  const first = Math.floor((looks - span) / 2);
  const columns = Math.floor(span / PER_COLUMN);
  const rows = ROWS / PER_ROW;
  const levelAt = (column: number, row: number) => {
    let most = 1e-9;
    for (let look = 0; look < PER_COLUMN; look++) {
      const start = (first + column * PER_COLUMN + look) * ROWS + row * PER_ROW;
      for (let i = start; i < start + PER_ROW; i++) most = Math.max(most, power[i] ?? 0);
    }
    return 10 * Math.log10(most);
  };
  const grid = Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (_each, column) => levelAt(column, row)),
  );
  const loudest = Math.max(...grid.flat());
  return {
    columns,
    rows,
    seconds: span / LOOKS,
    hertz: ROWS * ROW_HERTZ,
    levels: LEVELS.map((level) => pathOf(grid, loudest + level)),
    marks: marks
      .map((look) => (look - first) / PER_COLUMN)
      .filter((column) => column >= 0 && column < columns),
  };
}

/** Every stretch of a row that is at least so loud, as one bar. */
function pathOf(grid: readonly number[][], level: number): string {
  let path = '';
  grid.forEach((row, i) => {
    const y = grid.length - 1 - i;
    let start = -1;
    for (let column = 0; column <= row.length; column++) {
      const loud = (row[column] ?? -Infinity) >= level;
      if (loud && start < 0) start = column;
      if (!loud && start >= 0) {
        path += `M${start} ${y}h${column - start}v1h${start - column}z`;
        start = -1;
      }
    }
  });
  return path;
}
