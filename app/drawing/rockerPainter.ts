import type { Tokens } from '../theme/tokens';
import { ARM, BOSS, NUT, PUSHED, ROCKER } from './Rocker';

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
  tokens: Pick<Tokens, 'act' | 'actTint' | 'ink' | 'line' | 'shade' | 'sheet'>;
  /** Each rocker: its place, whether it is chosen, and its look at every degree. */
  rockers: { x: number; selected: boolean; looks: string }[];
};

/** The row's upper edge, as the drawing of the head has it. */
const TOP = 6;
const BROAD = ROCKER.width / 2 + 2;

/**
 * Paints a row of rockers at one crank angle after the other, in the same shape as `Rocker`
 * draws one. It needs no page, so that it can work beside the one that hears the finger.
 */
export class RockerPainter {
  private readonly arm = new Path2D(ARM);
  private readonly boss = new Path2D(BOSS);
  private readonly nut = new Path2D(NUT);
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
    row.rockers.forEach(({ x, selected, looks }, i) => {
      const look = looks[at] ?? LOOK_LETTERS[''];
      if (this.shown[i] === look) return;
      this.shown[i] = look;
      context.setTransform(
        row.sharpness * row.scale,
        0,
        0,
        row.sharpness * row.scale,
        row.sharpness * x,
        row.sharpness * TOP,
      );
      context.clearRect(-BROAD, -TOP / row.scale, 2 * BROAD, row.height / row.scale);
      this.paint(context, look, selected, row.tokens);
    });
  }

  private paint(
    context: OffscreenCanvasRenderingContext2D,
    look: string,
    selected: boolean,
    tokens: PaintedRow['tokens'],
  ): void {
    const here = look === LOOK_LETTERS.here;
    const onLobe = look === LOOK_LETTERS.lobe;
    const line = here ? tokens.act : tokens.ink;
    const stroke = (path: Path2D, color: string, weight: number) => {
      context.strokeStyle = color;
      context.lineWidth = weight;
      context.stroke(path);
    };
    const fill = (path: Path2D, color: string) => {
      context.fillStyle = color;
      context.fill(path);
    };
    context.save();
    context.lineJoin = 'round';
    if (onLobe) {
      context.lineCap = 'round';
      stroke(new Path2D('M -10 124 H 10'), tokens.ink, 3);
      context.lineCap = 'butt';
      context.translate(0, PUSHED);
    }
    stroke(circle(105, 10.5), tokens.line, 1.6);
    fill(this.arm, onLobe ? tokens.shade : here ? tokens.actTint : tokens.sheet);
    stroke(this.arm, line, selected ? 3 : here ? 2.2 : 1.4);
    stroke(this.boss, line, 0.9);
    fill(circle(62, 1.6), line);
    fill(this.nut, tokens.sheet);
    stroke(this.nut, line, 1.3);
    stroke(new Path2D('M -2.6 12 H 2.6'), line, 1.3);
    context.restore();
  }
}

function circle(y: number, r: number): Path2D {
  const path = new Path2D();
  path.arc(0, y, r, 0, 2 * Math.PI);
  return path;
}
