import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, Text } from 'react-native-svg';
import { font } from '../theme/fonts';
import { useTokens } from '../theme/ThemeProvider';

type Props = {
  /** In the order in which they are run down. */
  fasteners: readonly { x: number; y: number }[];
  /** The one to turn now; all before it are done at this stage. */
  next: number;
  /** The last one that is recorded along with it. */
  through: number;
  width: number;
  onTap: (fastener: number) => void;
};

const RADIUS = 19;
const ROOM = 26;

/** The fasteners as they lie on the head, numbered in their order, what is recorded next lit. */
export function FastenerMap({ fasteners, next, through, width, onTap }: Props) {
  const tokens = useTokens();
  const xs = fasteners.map(({ x }) => x);
  const ys = fasteners.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const across = Math.max(...xs) - left || 1;
  const down = Math.max(...ys) - top;
  const scale = (width - 2 * ROOM) / across;
  const deep = Math.min(scale, 70);
  const height = down * deep + 2 * ROOM;
  const placed = fasteners.map(({ x, y }) => ({
    cx: ROOM + (x - left) * scale,
    cy: ROOM + (y - top) * deep,
  }));
  return (
    <View
      role="group"
      aria-label={`${fasteners.length} fasteners, number ${next + 1} next, ${next} done at this stage`}
    >
      <Svg width={width} height={height} aria-hidden>
        {placed.map(({ cx, cy }, i) => {
          const now = i >= next && i <= through;
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
      {placed.map(({ cx, cy }, i) =>
        i < next ? null : (
          <Pressable
            key={i}
            role="button"
            aria-label={i === next ? `Number ${i + 1} only` : `All up to number ${i + 1}`}
            onPress={() => onTap(i)}
            style={[styles.target, { left: cx - ROOM, top: cy - ROOM }]}
          />
        ),
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  target: { position: 'absolute', width: 2 * ROOM, height: 2 * ROOM },
});
