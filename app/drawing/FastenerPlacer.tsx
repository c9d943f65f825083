import { Pressable, StyleSheet, View } from 'react-native';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from '../ui/Words';

type Place = { x: number; y: number };
type Props = {
  /** Names them to whoever cannot see: "Sequence 1". */
  of: string;
  places: readonly Place[];
  /** Those that are run down, in their order. */
  fasteners: readonly Place[];
  width: number;
  onTap: (place: Place) => void;
};

const SIZE = 40;
const ROW = 52;

/** The places where fasteners may lie, those in the order numbered; a tap adds one or takes it out. */
export function FastenerPlacer({ of, places, fasteners, width, onTap }: Props) {
  const tokens = useTokens();
  const across = Math.max(1, ...places.map(({ x }) => x));
  const down = Math.max(0, ...places.map(({ y }) => y));
  const step = (width - SIZE) / across;
  return (
    <View
      role="group"
      aria-label={`${of}: ${fasteners.length} fasteners`}
      style={{ width, height: down * ROW + SIZE }}
    >
      {places.map((place) => {
        const order = fasteners.findIndex(({ x, y }) => x === place.x && y === place.y);
        const number = order < 0 ? '' : String(order + 1);
        const name = `${of}, place ${place.x + 1} in row ${place.y + 1}`;
        return (
          <Pressable
            key={`${place.x} ${place.y}`}
            role="button"
            aria-label={number ? `${name}: number ${number}` : `${name}: none`}
            onPress={() => onTap(place)}
            style={[
              styles.place,
              {
                left: place.x * step,
                top: place.y * ROW,
                width: Math.min(SIZE, step - 2),
                borderColor: tokens.ink,
                backgroundColor: number ? tokens.enamelTint : 'transparent',
              },
            ]}
          >
            <Words as="label">{number}</Words>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  place: {
    position: 'absolute',
    height: SIZE,
    borderRadius: SIZE / 2,
    borderWidth: 1.5,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
