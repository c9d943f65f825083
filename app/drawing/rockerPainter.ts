import type { RockerColours, RockerLook, Shape } from '@longbar/core';
import { ROCKER, rockerShapes } from '@longbar/core';

/** How a rocker looks at a crank angle: to be set here, on its lobe, or neither. */
export type Look = 'here' | 'lobe' | '';
/** Each look as a letter, one for each degree of the cycle: small enough to hand over. */
export const LOOK_LETTERS: Record<Look, string> = { here: 'h', lobe: 'l', '': '-' };

/** A row of rockers to be painted: all that is known of it beforehand. */
export type PaintedRow = {
  width: number;
  height: number;
  /** Pixels of the screen to one of the page. */
  sharpness: number;
  scale: number;
  tokens: RockerColours;
  /** Each rocker: its place, how it is seen at any angle, and its look at every degree. */
  rockers: (Pick<RockerLook, 'progress' | 'selected'> & { x: number; looks: string })[];
};

/** The row's upper edge, as the drawing of the head has it. */
const TOP = 6;
const BROAD = ROCKER.width / 2 + 2;

/**
 * Paints a row of rockers at one crank angle after the other. It needs no page, so that it can
 * work beside the one that hears the finger.
 */
export class RockerPainter {
  /** What was drawn once is a path from then on. */
  private readonly paths = new Map<string, Path2D>();
  private shown: string[] = [];
  private row: PaintedRow | undefined;

  constructor(private readonly canvas: OffscreenCanvas) {}

  /** What is to be painted from now on. */
  lay(row: PaintedRow): void {
    this.row = row;
    this.shown = [];
    this.canvas.width = Math.round(row.width * row.sharpness);
    this.canvas.height = Math.round(row.height * row.sharpness);
  }

  /** Paints anew those whose look is another at `at`, a whole degree of the cycle. */
  turn(at: number): void {
    const context = this.canvas.getContext('2d');
    const { row } = this;
    if (!context || !row) return;
    const { sharpness, scale, tokens, height } = row;
    row.rockers.forEach(({ x, looks, progress, selected }, i) => {
      const look = looks[at] ?? LOOK_LETTERS[''];
      if (this.shown[i] === look) return;
      this.shown[i] = look;
      const drawn = sharpness * scale;
      const place = () => context.setTransform(drawn, 0, 0, drawn, sharpness * x, sharpness * TOP);
      place();
      context.clearRect(-BROAD, -TOP / scale, 2 * BROAD, height / scale);
      const here = look === LOOK_LETTERS.here;
      const onLobe = look === LOOK_LETTERS.lobe;
      for (const shape of rockerShapes({ here, onLobe, progress, selected }, tokens)) {
        place();
        this.paint(context, shape);
      }
    });
  }

  private paint(context: OffscreenCanvasRenderingContext2D, shape: Shape): void {
    const { d, fill, stroke, weight = 1, round = false, down } = shape;
    const path = this.paths.get(d) ?? new Path2D(d);
    this.paths.set(d, path);
    context.translate(0, down);
    context.lineCap = round ? 'round' : 'butt';
    context.lineJoin = round ? 'round' : 'miter';
    if (fill !== undefined) {
      context.fillStyle = fill;
      context.fill(path);
    }
    if (stroke === undefined) return;
    context.strokeStyle = stroke;
    context.lineWidth = weight;
    context.stroke(path);
  }
}
