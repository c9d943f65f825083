import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Icon } from '../../ui/Icon';
import { space, WIDE } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { PhoneNotes } from './PhoneNotes';
import { PLACES } from './places';
import { ThemeSwitch } from './ThemeSwitch';
import { UnsentNote } from '../unsent/UnsentNote';
import { Way } from '../../ui/Way';

type Props = {
  title: string;
  /** Said beside the title. */
  aside?: string | undefined;
  /** Where the way back leads; none at a place of its own. */
  back?:
    | '/'
    | '/sheets'
    | '/bench'
    | '/shop'
    | `/sheets/${string}`
    | `/machines/${string}`
    | `/jobs/${string}`;
  children: ReactNode;
};

/** A place: its title, what is unsent, and on a wide screen the rail of places. */
export function Frame({ title, aside, back, children }: Props) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <View
      style={[
        styles.frame,
        { backgroundColor: tokens.ground, flexDirection: wide ? 'row' : 'column-reverse' },
      ]}
    >
      <Places wide={wide} />
      <ScrollView
        style={styles.scroll}
        contentContainerStyle={[styles.content, wide && styles.wide]}
      >
        <Heading {...{ title, aside, back }} />
        <PhoneNotes atPlace={back === undefined} />
        {children}
      </ScrollView>
    </View>
  );
}

function Heading({ title, aside, back }: Pick<Props, 'title' | 'aside' | 'back'>) {
  const tokens = useTokens();
  return (
    <View style={styles.heading}>
      {back && (
        <Way to={back} name="Back" replace style={styles.back}>
          <Icon name="back" color={tokens.ink} />
        </Way>
      )}
      <View style={styles.titles}>
        <Words as="title">{title}</Words>
        {aside && (
          <Words as="note" color="secondInk">
            {aside}
          </Words>
        )}
      </View>
      <UnsentNote />
      <ThemeSwitch />
    </View>
  );
}

/** The places: a rail on a wide screen, a bar under the thumb on a phone. */
function Places({ wide }: { wide: boolean }) {
  const tokens = useTokens();
  const path = usePathname();
  const ink = wide ? tokens.onEnamel : tokens.ink;
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={
        wide
          ? [styles.rail, { backgroundColor: tokens.enamel }]
          : [styles.bar, { backgroundColor: tokens.sheet, borderColor: tokens.line }]
      }
    >
      {PLACES.map((place) => {
        const here = place.path === '/' ? path === '/' : path.startsWith(place.path);
        return (
          <Way
            key={place.path}
            to={place.path}
            name={place.title}
            replace
            current={here}
            style={[
              styles.place,
              here && (wide ? { borderLeftColor: tokens.dab } : { borderTopColor: tokens.act }),
              wide ? styles.onRail : styles.onBar,
            ]}
          >
            <Icon name={place.icon} color={ink} size={26} />
            <Words as="label" style={{ color: ink }}>
              {place.title}
            </Words>
          </Way>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { flex: 1, minHeight: 0 },
  scroll: { flex: 1 },
  content: {
    padding: space.large,
    gap: space.large,
    width: '100%',
    maxWidth: 720,
    alignSelf: 'center',
  },
  wide: { maxWidth: 1120, paddingHorizontal: space.huge },
  heading: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  titles: { flex: 1 },
  back: { width: 48, height: 48, alignItems: 'center', justifyContent: 'center', marginLeft: -12 },
  rail: { width: 88, paddingTop: space.large, alignItems: 'center' },
  bar: { flexDirection: 'row', borderTopWidth: 1 },
  place: {
    minHeight: 64,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.hair,
    borderColor: 'transparent',
  },
  onRail: { width: 88, borderLeftWidth: 5, paddingRight: 5 },
  onBar: { flex: 1, borderTopWidth: 4 },
});
