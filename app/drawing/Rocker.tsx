import type { RockerLook } from '@longbar/core';
import { rockerShapes } from '@longbar/core';
import { memo } from 'react';
import { G, Path } from 'react-native-svg';
import type { Tokens } from '../theme/tokens';

type Props = RockerLook & { x: number; y: number; scale: number; tokens: Tokens };

/** One rocker in the drawing of the head. */
export const Rocker = memo(function Rocker({ x, y, scale, tokens, ...look }: Props) {
  return (
    <G transform={`translate(${x} ${y}) scale(${scale})`}>
      {rockerShapes(look, tokens).map(({ d, fill, stroke, weight, round, down }, i) => (
        <Path
          key={i}
          d={d}
          fill={fill ?? 'none'}
          {...(stroke !== undefined && { stroke })}
          {...(weight !== undefined && { strokeWidth: weight })}
          {...(round && { strokeLinecap: 'round', strokeLinejoin: 'round' })}
          {...(down > 0 && { transform: `translate(0 ${down})` })}
        />
      ))}
    </G>
  );
});
