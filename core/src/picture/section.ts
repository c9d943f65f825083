import { wrap } from '../engine/angle';
import { lift } from '../engine/lobes';
import type { EngineSheet } from '../engine/sheet';

/** The four strokes of a cylinder, in the order in which they follow its firing. */
export const STROKES = ['power', 'exhaust', 'intake', 'compression'] as const;
export type Stroke = (typeof STROKES)[number];

/** One cylinder cut through, at an angle of its own scale. */
export type Section = {
  /** Which stroke it is in. */
  stroke: Stroke;
  /** How far the piston is from its top: 0 at the top, 1 at the bottom. */
  piston: number;
  /** How far the crank pin stands out to the side, in cranks; below 0 to the left. */
  pinAcross: number;
  /** How far the crank pin is above the middle of the crank, in cranks. */
  pinUp: number;
  /** How far the cam has turned, degrees: half of what the crank has. */
  cam: number;
  /** How far each valve is open, 0 to 1; 0 is on the base circle, with its gap. */
  intake: number;
  exhaust: number;
};

/** A rod is about so many cranks long. */
const ROD = 3.4;

/**
 * A cylinder of a four-stroke cut through at `r` degrees after its own firing TDC: where piston,
 * rod, cam and valves stand.
 *
 * @example sectionAt(six, 540).stroke // 'compression'
 */
export function sectionAt(sheet: EngineSheet, r: number): Section {
  const at = wrap(r, 720);
  const angle = (at * Math.PI) / 180;
  const [pinAcross, pinUp] = [Math.sin(angle), Math.cos(angle)];
  // The piston pin stands over the crank, a rod's length from the crank pin.
  const height = pinUp + Math.sqrt(ROD ** 2 - pinAcross ** 2);
  return {
    stroke: STROKES[Math.floor(at / 180)] ?? 'power',
    piston: (ROD + 1 - height) / 2,
    pinAcross,
    pinUp,
    cam: at / 2,
    intake: lift(sheet, 'intake', at),
    exhaust: lift(sheet, 'exhaust', at),
  };
}

/**
 * The outline of a cam lobe as points about its middle, x and y in base circles: what faces up
 * with the cam unturned is what the follower rides at the cylinder's firing TDC. `height` is the
 * lobe's, in base circles.
 */
export function lobeOutline(
  sheet: EngineSheet,
  kind: 'intake' | 'exhaust',
  height: number,
): { x: number; y: number }[] {
  return Array.from({ length: 90 }, (_, i) => {
    // A point that lies so far against the sense of rotation comes up twice as much crank later.
    const behind = i * 4;
    const radius = 1 + height * lift(sheet, kind, 2 * behind);
    const angle = (-behind * Math.PI) / 180;
    return { x: radius * Math.sin(angle), y: -radius * Math.cos(angle) };
  });
}
