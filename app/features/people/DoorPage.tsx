import type { ReactNode } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { useTokens } from '../../theme/ThemeProvider';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';

/** A page before the application is open to this phone: no places to go to, only what is asked. */
export function DoorPage({ title, children }: { title: string; children: ReactNode }) {
  const tokens = useTokens();
  return (
    <ScrollView style={{ backgroundColor: tokens.ground }} contentContainerStyle={styles.page}>
      <Words as="note" color="secondInk">
        Long Bar
      </Words>
      <Words as="title">{title}</Words>
      {children}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  page: {
    padding: space.large,
    paddingTop: space.huge,
    gap: space.large,
    width: '100%',
    maxWidth: 560,
    alignSelf: 'center',
  },
});
