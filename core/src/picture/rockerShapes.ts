/** How far an adjuster has come in this job. */
export type Progress = 'none' | 'found' | 'locked' | 'painted' | 'unset';

/** What is drawn of one rocker. */
export type RockerLook = {
  /** It may be set here. */
  here: boolean;
  /** It is pushed down on its lobe. */
  onLobe: boolean;
  progress: Progress;
  selected: boolean;
  /** What it did does not fit where the crank is: tight, slack or misread. */
  odd?: boolean;
};

/** The colours that a rocker is drawn in, as CSS writes them. */
export type RockerColours = Record<
  'act' | 'actTint' | 'dab' | 'ink' | 'line' | 'shade' | 'sheet' | 'stop',
  string
>;

/** One outline of the drawing, in the path language that pages and canvases share. */
export type Shape = {
  d: string;
  fill?: string;
  stroke?: string;
  weight?: number;
  /** With round ends and corners. */
  round?: boolean;
  /** So much lower than its outline says. */
  down: number;
};

/** The drawing's own measure: a rocker is 24 wide and 132 long, foot at the bottom. */
export const ROCKER = { width: 24, height: 132, shaft: 62 } as const;
const PUSHED = 6;

const ARM =
  'M -7.5 10 Q -7.5 1.5 0 1.5 Q 7.5 1.5 7.5 10 L 5.2 48 L 10 51 L 10 73 L 5.4 76 L 4.6 98 Q 6.4 101 6.4 105 Q 6.4 111 0 111 Q -6.4 111 -6.4 105 Q -6.4 101 -4.6 98 L -5.4 76 L -10 73 L -10 51 L -5.2 48 Z';
/** The boss's edges on the shaft, and the oil hole between them. */
const BOSS = 'M -10 56 H 10 M -10 68 H 10';
const OIL_HOLE = circle(62, 1.6);
const VALVE = circle(105, 10.5);
const NUT = 'M -6.4 12 L -3.2 6.4 L 3.2 6.4 L 6.4 12 L 3.2 17.6 L -3.2 17.6 Z';
const SLOT = 'M -2.6 12 H 2.6';
/** A pushed rocker stands on this. */
const SEAT = 'M -10 124 H 10';
const FOUND = 'M 0 84.8 L 4 88.8 L 0 92.8 L -4 88.8 Z';
const CROSS = 'M -9 3 L 9 21 M 9 3 L -9 21';
/** The paint-pen dab across a finished nut: one stroke, over both colours of ground. */
const DAB = 'M -10 17 Q -2 13 10 5';

/** A triangle beside the arm of a rocker that is odd, with its stroke and dot. */
const ODD = 'M 0 26 L 7.5 40 L -7.5 40 Z';
const ODD_MARK = 'M 0 30.5 V 35 M 0 37.2 V 38';

/** One rocker as one looks down on it: nut at the top, shaft across, foot on the valve. */
export function rockerShapes(look: RockerLook, tokens: RockerColours): Shape[] {
  const { here, onLobe, progress, selected, odd } = look;
  const line = here ? tokens.act : tokens.ink;
  const fill = onLobe ? tokens.shade : here ? tokens.actTint : tokens.sheet;
  const nut = progress === 'locked' || progress === 'painted' ? line : tokens.sheet;
  const slotted = progress !== 'painted' && progress !== 'unset';
  const down = onLobe ? PUSHED : 0;
  const stroked = (d: string, stroke: string, weight: number): Shape => ({
    d,
    stroke,
    weight,
    down,
  });
  const pen = (d: string, stroke: string, weight: number): Shape => ({
    ...stroked(d, stroke, weight),
    round: true,
  });
  return [
    ...(onLobe ? [{ ...pen(SEAT, tokens.ink, 3), down: 0 }] : []),
    stroked(VALVE, tokens.line, 1.6),
    { ...pen(ARM, line, selected ? 3 : here ? 2.2 : 1.4), fill },
    stroked(BOSS, line, 0.9),
    { d: OIL_HOLE, fill: line, down },
    { ...stroked(NUT, line, 1.3), fill: nut },
    ...(slotted ? [stroked(SLOT, nut === line ? tokens.sheet : line, 1.3)] : []),
    ...(progress === 'found' ? [{ d: FOUND, fill: line, down }] : []),
    ...(progress === 'painted' ? [pen(DAB, tokens.ink, 8), pen(DAB, tokens.dab, 5.6)] : []),
    ...(odd ? [{ ...pen(ODD, tokens.stop, 1.6), fill: tokens.sheet }] : []),
    ...(odd ? [pen(ODD_MARK, tokens.stop, 1.8)] : []),
    ...(progress === 'unset' ? [pen(CROSS, tokens.stop, 3.4)] : []),
  ];
}

function circle(y: number, r: number): string {
  return `M ${-r} ${y} A ${r} ${r} 0 1 0 ${r} ${y} A ${r} ${r} 0 1 0 ${-r} ${y} Z`;
}
