import type { HeadGeometry } from '@longbar/core';
import { createElement, memo, useEffect, useRef } from 'react';
import { PixelRatio } from 'react-native';
import type { Tokens } from '../theme/tokens';
import type { Crank } from './crank';
import type { MapCell } from './mapCell';
import type { PaintedRow } from './rockerPainter';
import type { RockersMessage } from './rockers.worker';

/** An engine turned on the screen, and each rocker's looks, a letter for each degree. */
export type LiveLook = { crank: Crank; looksOf: (id: string) => string };

type Props = {
  geometry: HeadGeometry;
  cells: Readonly<Record<string, MapCell>>;
  width: number;
  tokens: Tokens;
  live: LiveLook;
};

/**
 * The rockers of a bank that follow the crank. They are painted by a worker: a finger that turns
 * the engine is heard by a page that has nothing else to do.
 */
export const LiveRockers = memo(function LiveRockers(props: Props) {
  const { geometry, cells, width, tokens, live } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const row = useRef<Row>(null);
  useEffect(() => {
    // Tests have no canvas: there is nothing to be seen in them either.
    if (!canvas.current?.transferControlToOffscreen) return;
    row.current ??= new Row(canvas.current.transferControlToOffscreen());
    return () => row.current?.leave();
  }, []);
  const chosen = geometry.places.find(({ id }) => cells[id]?.selected)?.id;
  useEffect(() => {
    const { scale, height, places } = geometry;
    const { act, actTint, dab, ink, line, shade, sheet, stop } = tokens;
    row.current?.lay(
      {
        width,
        height,
        scale,
        sharpness: PixelRatio.get(),
        tokens: { act, actTint, dab, ink, line, shade, sheet, stop },
        rockers: places.map(({ id, x }) => ({
          x,
          // A bare engine is turned here: nothing of it is measured.
          progress: 'none' as const,
          selected: id === chosen,
          looks: live.looksOf(id),
        })),
      },
      live.crank,
    );
  }, [geometry, tokens, width, chosen, live]);
  return createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: { position: 'absolute', left: 0, top: 0, width, height: geometry.height },
  });
});

/** The one worker that paints; it is begun with the first row there is. */
let painter: Worker | undefined;
let rows = 0;

function say(message: RockersMessage, transfer: Transferable[] = []): void {
  painter ??= new Worker(new URL('./rockers.worker', import.meta.url));
  painter.postMessage(message, transfer);
}

/** One row as the worker knows it. */
class Row {
  private readonly number = ++rows;
  private stop: () => void = () => undefined;

  constructor(canvas: OffscreenCanvas) {
    say({ row: this.number, canvas }, [canvas]);
  }

  /** Has it painted so, and follows the crank from then on. */
  lay(lay: PaintedRow, crank: Crank): void {
    say({ row: this.number, lay, at: crank.at() });
    this.stop();
    this.stop = crank.subscribe(() => say({ row: this.number, at: crank.at() }));
  }

  leave(): void {
    this.stop();
    say({ row: this.number, gone: true });
  }
}
