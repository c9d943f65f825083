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

/** How large a fastener is drawn, and where it is tapped, px: smaller where many stand in a row. */
const RADIUS = { least: 7, most: 19 };
const TAPPED = { least: 24, most: 52 };
const ROOM = TAPPED.most / 2;
/** So far apart rows are drawn, px, for a finger to tell them apart. */
const ROWS = { least: 48, most: 70 };

/** The fasteners as they lie on the head, numbered in their order, what is recorded next lit. */
export function FastenerMap({ fasteners, next, through, width, onTap }: Props) {
  const tokens = useTokens();
  const xs = fasteners.map(({ x }) => x);
  const ys = fasteners.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const across = Math.max(...xs) - left || 1;
  const down = Math.max(...ys) - top;
  const scale = (width - 2 * ROOM) / across;
  const deep = between(ROWS, scale);
  const height = down * deep + 2 * ROOM;
  const placed = fasteners.map(({ x, y }) => ({
    cx: ROOM + (x - left) * scale,
    cy: ROOM + (y - top) * deep,
  }));
  const apart = leastDistance(placed);
  const radius = between(RADIUS, apart / 2 - 2.5);
  const tapped = between(TAPPED, apart);
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
              r={now ? radius + Math.min(4, radius / 5) : radius}
              fill={fill}
              stroke={tokens.ink}
              strokeWidth={done ? 3 : 1.6}
              strokeDasharray={now || done ? undefined : '4 3'}
            />,
            <Text
              key={`number ${i}`}
              x={cx}
              y={cy + radius / 3}
              fontSize={Math.min(17, radius * 1.2)}
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
            style={[styles.target, squareAt(cx, cy, tapped)]}
          />
        ),
      )}
    </View>
  );
}

function between({ least, most }: { least: number; most: number }, wanted: number): number {
  return Math.max(least, Math.min(most, wanted));
}

/** How near the two stand to each other that are nearest. */
function leastDistance(placed: readonly { cx: number; cy: number }[]): number {
  const distances = placed.flatMap((a, i) =>
    placed.slice(i + 1).map((b) => Math.hypot(a.cx - b.cx, a.cy - b.cy)),
  );
  return Math.min(...distances);
}

function squareAt(cx: number, cy: number, size: number) {
  return { left: cx - size / 2, top: cy - size / 2, width: size, height: size };
}

const styles = StyleSheet.create({ target: { position: 'absolute' } });
