import type { SoundPicture } from '@longbar/core/listen';
import { StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

/** A sound over time and frequency: the darker, the louder; what ticks is marked below. */
export function SoundPictureDrawing({ name, picture }: { name: string; picture: SoundPicture }) {
  const tokens = useTokens();
  const { columns, rows, seconds, hertz, levels, marks } = picture;
  if (columns === 0) return null;
  const ticks = marks.length === 1 ? '1 tick' : `${marks.length} ticks`;
  const says = `${name}: ${seconds} s of the sound from 0 to ${hertz / 1000} kHz, ${ticks} marked`;
  return (
    <View>
      <Svg
        width="100%"
        height={140}
        viewBox={`0 0 ${columns} ${rows + MARK}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={says}
      >
        <Rect width={columns} height={rows} fill={tokens.sheet} />
        {levels.map((path, i) => (
          <Path key={i} d={path} fill={tokens.ink} fillOpacity={LAYER} />
        ))}
        {marks.map((column) => (
          <Path
            key={column}
            d={`M${column - 0.9} ${rows + MARK}L${column} ${rows + 0.4}L${column + 0.9} ${rows + MARK}z`}
            fill={tokens.stop}
          />
        ))}
      </Svg>
      <View style={styles.scale}>
        <Words as="label" color="secondInk">
          {seconds} s, low tones below, high ones to {hertz / 1000} kHz above
        </Words>
        {marks.length > 0 && (
          <Words as="label" color="stop">
            ▲ a tick
          </Words>
        )}
      </View>
    </View>
  );
}

/** Each level lies on the last, so that the loudest are darkest. */
const LAYER = 0.24;
/** The room below for the marks, in rows. */
const MARK = 3;

const styles = StyleSheet.create({
  scale: { flexDirection: 'row', justifyContent: 'space-between', flexWrap: 'wrap' },
});
