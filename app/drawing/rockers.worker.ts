import type { PaintedRow } from './rockerPainter';
import { RockerPainter } from './rockerPainter';

/** What the page says to the painter: a canvas to paint on, what to paint, where the crank is. */
export type RockersMessage =
  | { row: number; canvas: OffscreenCanvas }
  | { row: number; lay: PaintedRow; at: number }
  | { row: number; gone: true }
  | { at: number; rows: readonly number[] };

const painters = new Map<number, RockerPainter>();

globalThis.addEventListener('message', ({ data }: MessageEvent<RockersMessage>) => {
  if ('canvas' in data) painters.set(data.row, new RockerPainter(data.canvas));
  else if ('gone' in data) painters.delete(data.row);
  else if ('lay' in data) {
    painters.get(data.row)?.lay(data.lay);
    painters.get(data.row)?.turn(data.at);
  } else data.rows.forEach((row) => painters.get(row)?.turn(data.at));
});
