import { View } from 'react-native';
import Svg, { Circle, Text } from 'react-native-svg';
import { font } from '../theme/fonts';
import { useTokens } from '../theme/ThemeProvider';

type Props = {
  /** In the order in which they are run down. */
  fasteners: readonly { x: number; y: number }[];
  /** The one to turn now; all before it are done at this stage. */
  next: number;
  width: number;
};

const RADIUS = 19;
const ROOM = 26;

/** The fasteners as they lie on the head, numbered in their order, the next one lit. */
export function FastenerMap({ fasteners, next, width }: Props) {
  const tokens = useTokens();
  const xs = fasteners.map(({ x }) => x);
  const ys = fasteners.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const across = Math.max(...xs) - left || 1;
  const down = Math.max(...ys) - top;
  const scale = (width - 2 * ROOM) / across;
  const deep = Math.min(scale, 70);
  const height = down * deep + 2 * ROOM;
  return (
    <View
      role="img"
      aria-label={`${fasteners.length} fasteners, number ${next + 1} next, ${next} done at this stage`}
    >
      <Svg width={width} height={height} aria-hidden>
        {fasteners.map(({ x, y }, i) => {
          const [cx, cy] = [ROOM + (x - left) * scale, ROOM + (y - top) * deep];
          const now = i === next;
          const done = i < next;
          const fill = now ? tokens.act : done ? tokens.dab : tokens.sheet;
          return [
            <Circle
              key={`circle ${i}`}
              cx={cx}
              cy={cy}
              r={now ? RADIUS + 4 : RADIUS}
              fill={fill}
              stroke={tokens.ink}
              strokeWidth={done ? 3 : 1.6}
              strokeDasharray={now || done ? undefined : '4 3'}
            />,
            <Text
              key={`number ${i}`}
              x={cx}
              y={cy + 6}
              fontSize={17}
              fontFamily={font.figure}
              fill={now ? tokens.onAct : done ? '#1B2427' : tokens.ink}
              textAnchor="middle"
            >
              {i + 1}
            </Text>,
          ];
        })}
      </Svg>
    </View>
  );
}
