import { Fragment } from 'react';
import Svg, { Circle, Line } from 'react-native-svg';
import { useTokens } from '../theme/ThemeProvider';

const WIDTH = 64;
/** The least that a bank is high, and its middle. */
const ROW = 16;

type Props = {
  /** Each bank as a word a cylinder, as `headLetters` tells it. */
  head: readonly string[];
};

/**
 * An engine's head, small: its banks and cylinders, exhausts filled, intakes open, injectors as
 * bars. It is known again at a glance; its name stands beside it.
 */
export function HeadGlyph({ head }: Props) {
  const tokens = useTokens();
  return (
    <Svg width={WIDTH} height={ROW * head.length} aria-hidden>
      {head.map((bank, row) => (
        <Fragment key={row}>
          <Line
            x1={1}
            x2={WIDTH - 1}
            y1={ROW * (row + 0.5)}
            y2={ROW * (row + 0.5)}
            stroke={tokens.line}
            strokeWidth={1.5}
          />
          {marksOf(bank).map(({ letter, x, room }) => (
            <Mark
              key={x}
              {...{ letter, x, room }}
              y={ROW * (row + 0.5)}
              ink={tokens.ink}
              ground={tokens.ground}
            />
          ))}
        </Fragment>
      ))}
    </Svg>
  );
}

/** The marks of a bank along its row; `room` is what each has for itself. */
function marksOf(bank: string): { letter: string; x: number; room: number }[] {
  const cylinders = bank.split(' ');
  const column = WIDTH / cylinders.length;
  return cylinders.flatMap((letters, i) =>
    [...letters].map((letter, n) => {
      const room = Math.min(11, (column * 0.8) / letters.length);
      const x = column * (i + 0.5) + room * (n - (letters.length - 1) / 2);
      return { letter, x, room };
    }),
  );
}

type MarkProps = {
  letter: string;
  x: number;
  y: number;
  room: number;
  ink: string;
  ground: string;
};

function Mark({ letter, x, y, room, ink, ground }: MarkProps) {
  if (letter === 'J') {
    return <Line x1={x} x2={x} y1={y - 5} y2={y + 5} stroke={ink} strokeWidth={1.4} />;
  }
  const r = Math.max(1.4, room * 0.36);
  const filled = letter === 'E';
  return <Circle cx={x} cy={y} r={r} fill={filled ? ink : ground} stroke={ink} strokeWidth={1.1} />;
}
