import type { PaintedRow } from './rockerPainter';
import { LOOK_LETTERS, RockerPainter } from './rockerPainter';

type Call = [what: string, ...rest: unknown[]];

/** A canvas that notes what is done on it. */
function noting() {
  const calls: Call[] = [];
  const style: Record<string, unknown> = {};
  const context = new Proxy(style, {
    get: (_, what: string) =>
      what in style
        ? style[what]
        : (...rest: unknown[]) =>
            void calls.push([what, ...rest, style.fillStyle, style.strokeStyle]),
  });
  const canvas = { width: 0, height: 0, getContext: () => context };
  return { canvas: canvas as unknown as OffscreenCanvas, calls };
}

beforeAll(() => {
  Object.assign(globalThis, {
    Path2D: class {
      constructor(readonly shape = 'circle') {}
      arc() {
        return undefined;
      }
    },
  });
});

const { here, lobe } = LOOK_LETTERS;
const off = LOOK_LETTERS[''];
const row = (...looks: string[]): PaintedRow => ({
  width: 350,
  height: 196,
  sharpness: 2,
  scale: 0.5,
  tokens: {
    act: 'orange',
    actTint: 'pale',
    dab: 'yellow',
    ink: 'ink',
    line: 'line',
    shade: 'shade',
    sheet: 'sheet',
    stop: 'red',
  },
  rockers: looks.map((own, i) => ({
    x: 20 * (i + 1),
    progress: 'none',
    selected: false,
    looks: own,
  })),
});

describe('the painter of rockers', () => {
  it('takes the canvas as sharp as the screen, and paints each rocker once', () => {
    const { canvas, calls } = noting();
    const painter = new RockerPainter(canvas);
    painter.lay(row(off, off));
    painter.turn(0);
    expect([canvas.width, canvas.height]).toEqual([700, 392]);
    const places = calls.filter(([what]) => what === 'setTransform');
    expect(new Set(places.map((call) => call.slice(1, 7).join(' ')))).toEqual(
      new Set(['1 0 0 1 40 12', '1 0 0 1 80 12']),
    );
    expect(calls.filter(([what]) => what === 'clearRect')).toHaveLength(2);
  });

  it('paints those alone whose look is another, and clears them before', () => {
    const { canvas, calls } = noting();
    const painter = new RockerPainter(canvas);
    painter.lay(row(off + here + here, off + off + lobe));
    painter.turn(0);
    const after = (at: number) => {
      calls.length = 0;
      painter.turn(at);
      return calls.filter(([what]) => what === 'clearRect').length;
    };
    expect(after(0)).toBe(0);
    expect(after(1)).toBe(1);
    expect(after(2)).toBe(1);
    expect(after(0)).toBe(2);
  });

  it('fills by the look: lit where it may be set, shaded and lower on its lobe', () => {
    const arm = (look: string) => {
      const { canvas, calls } = noting();
      const painter = new RockerPainter(canvas);
      painter.lay(row(look));
      painter.turn(0);
      return {
        fill: calls.find(([what]) => what === 'fill')?.at(-2),
        lower: calls.some(([what, , down]) => what === 'translate' && Number(down) > 0),
      };
    };
    expect(arm(here)).toEqual({ fill: 'pale', lower: false });
    expect(arm(off)).toEqual({ fill: 'sheet', lower: false });
    expect(arm(lobe)).toEqual({ fill: 'shade', lower: true });
  });

  it('paints all anew when the row is laid otherwise, and nothing before it is laid', () => {
    const { canvas, calls } = noting();
    const painter = new RockerPainter(canvas);
    painter.turn(0);
    expect(calls).toHaveLength(0);
    painter.lay(row(off, off));
    painter.turn(0);
    calls.length = 0;
    painter.lay(row(off, off));
    painter.turn(0);
    expect(calls.filter(([what]) => what === 'clearRect')).toHaveLength(2);
  });
});
