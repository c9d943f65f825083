import { memo } from 'react';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import type { Tokens } from '../theme/tokens';

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
};

/** The drawing's own measure: a rocker is 24 wide and 120 long, foot at the bottom. */
export const ROCKER = { width: 24, height: 132, shaft: 62 } as const;
/** On its lobe a rocker is drawn so much lower. */
export const PUSHED = 6;

export const ARM =
  'M -7.5 10 Q -7.5 1.5 0 1.5 Q 7.5 1.5 7.5 10 L 5.2 48 L 10 51 L 10 73 L 5.4 76 L 4.6 98 Q 6.4 101 6.4 105 Q 6.4 111 0 111 Q -6.4 111 -6.4 105 Q -6.4 101 -4.6 98 L -5.4 76 L -10 73 L -10 51 L -5.2 48 Z';
/** The boss's edges on the shaft, and the oil hole between them. */
export const BOSS = 'M -10 56 H 10 M -10 68 H 10';
export const NUT = 'M -6.4 12 L -3.2 6.4 L 3.2 6.4 L 6.4 12 L 3.2 17.6 L -3.2 17.6 Z';

type Props = RockerLook & { x: number; y: number; scale: number; tokens: Tokens };

/** One rocker as one looks down on it: nut at the top, shaft across, foot on the valve. */
export const Rocker = memo(function Rocker(props: Props) {
  const { x, y, scale, tokens, here, onLobe, progress, selected } = props;
  const line = here ? tokens.act : tokens.ink;
  const fill = onLobe ? tokens.shade : here ? tokens.actTint : tokens.sheet;
  const weight = selected ? 3 : here ? 2.2 : 1.4;
  const nut = progress === 'locked' || progress === 'painted' ? line : tokens.sheet;
  const push = onLobe ? PUSHED : 0;
  return (
    <G transform={`translate(${x} ${y}) scale(${scale})`}>
      <Circle cx={0} cy={105 + push} r={10.5} fill="none" stroke={tokens.line} strokeWidth={1.6} />
      <Path
        d={ARM}
        fill={fill}
        stroke={line}
        strokeWidth={weight}
        strokeLinejoin="round"
        transform={`translate(0 ${push})`}
      />
      <Path d={BOSS} stroke={line} strokeWidth={0.9} transform={`translate(0 ${push})`} />
      <Circle cx={0} cy={62 + push} r={1.6} fill={line} />
      {onLobe && (
        <Line
          x1={-10}
          x2={10}
          y1={124}
          y2={124}
          stroke={tokens.ink}
          strokeWidth={3}
          strokeLinecap="round"
        />
      )}
      <G transform={`translate(0 ${push})`}>
        <Path d={NUT} fill={nut} stroke={line} strokeWidth={1.3} />
        {progress !== 'painted' && progress !== 'unset' && (
          <Line
            x1={-2.6}
            x2={2.6}
            y1={12}
            y2={12}
            stroke={nut === line ? tokens.sheet : line}
            strokeWidth={1.3}
          />
        )}
        {progress === 'found' && (
          <Rect
            x={-2.8}
            y={86}
            width={5.6}
            height={5.6}
            fill={line}
            transform="rotate(45 0 88.8)"
          />
        )}
        {progress === 'painted' && <Dab tokens={tokens} />}
        {progress === 'unset' && (
          <Path
            d="M -9 3 L 9 21 M 9 3 L -9 21"
            stroke={tokens.stop}
            strokeWidth={3.4}
            strokeLinecap="round"
          />
        )}
      </G>
    </G>
  );
});

/** The paint-pen dab across a finished nut: one stroke, over both colours of ground. */
function Dab({ tokens }: { tokens: Tokens }) {
  const stroke = 'M -10 17 Q -2 13 10 5';
  return (
    <>
      <Path d={stroke} stroke={tokens.ink} strokeWidth={8} strokeLinecap="round" fill="none" />
      <Path d={stroke} stroke={tokens.dab} strokeWidth={5.6} strokeLinecap="round" fill="none" />
    </>
  );
}
