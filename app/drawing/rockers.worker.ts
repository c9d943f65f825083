import type { PaintedRow } from './rockerPainter';
import { RockerPainter } from './rockerPainter';

/** What the page says to the painter: a canvas to paint on, what to paint, where the crank is. */
export type RockersMessage =
  | { row: number; canvas: OffscreenCanvas }
  | { row: number; lay: PaintedRow; at: number }
  | { row: number; gone: true }
  | { row: number; at: number };

const painters = new Map<number, RockerPainter>();

globalThis.addEventListener('message', ({ data }: MessageEvent<RockersMessage>) => {
  if ('canvas' in data) painters.set(data.row, new RockerPainter(data.canvas));
  else if ('gone' in data) painters.delete(data.row);
  else {
    const painter = painters.get(data.row);
    if ('lay' in data) painter?.lay(data.lay);
    painter?.turn(data.at);
  }
});
