import type { SeatedBank } from '@longbar/core';
import { Pressable, StyleSheet, View } from 'react-native';
import { radius, space, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { spacePresses } from '../ui/spacePresses';
import { Words } from '../ui/Words';
import type { MapCell } from './mapCell';
import { isEnded } from './mapCell';

type Props = {
  bank: SeatedBank;
  cells: Readonly<Record<string, MapCell>>;
  onSelect?: ((id: string) => void) | undefined;
};

/** A bank that nobody works on now, in one line: how far it is here, and the way to it. */
export function FoldedBank({ bank, cells, onSelect }: Props) {
  const tokens = useTokens();
  const here = bank.cylinders
    .flatMap(({ adjusters }) => adjusters.map(({ id }) => id))
    .filter((id) => cells[id]?.here);
  const to = here.find((id) => !isEnded(cells[id])) ?? here[0];
  const name = `Bank ${bank.name}`;
  if (to === undefined || !onSelect) {
    return (
      <View style={styles.line}>
        <Words as="note" color="secondInk">
          {name}: {here.length === 0 ? 'nothing to set here' : progressOf(here, cells)}
        </Words>
      </View>
    );
  }
  const says = `${name}: ${progressOf(here, cells)}`;
  const go = () => onSelect(to);
  return (
    <Pressable
      role="button"
      aria-label={says}
      onPress={go}
      {...spacePresses(go)}
      style={[styles.line, styles.way, { borderColor: tokens.line, backgroundColor: tokens.sheet }]}
    >
      <Words as="strong">{says}</Words>
    </Pressable>
  );
}

function progressOf(here: readonly string[], cells: Props['cells']): string {
  const ended = here.filter((id) => isEnded(cells[id])).length;
  return ended === here.length ? 'all finished here' : `${ended} of ${here.length} finished here`;
}

const styles = StyleSheet.create({
  line: { justifyContent: 'center', paddingVertical: space.hair },
  way: {
    minHeight: target.least,
    borderWidth: 1.2,
    borderRadius: radius,
    paddingHorizontal: space.medium,
  },
});
