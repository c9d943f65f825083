import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { Act } from './Act';
import { Row } from './Panel';
import { space } from './tokens';
import { useTokens } from './ThemeProvider';

type Props = { back: string; backTo: string; children: ReactNode };

/** A page made to be printed: its buttons stay off the paper. */
export function PrintPage({ back, backTo, children }: Props) {
  const tokens = useTokens();
  const router = useRouter();
  return (
    <ScrollView style={{ backgroundColor: tokens.sheet }} contentContainerStyle={styles.page}>
      <Row style={styles.buttons}>
        <Act label={back} icon="back" onPress={() => router.replace(backTo as '/')} />
        <Act label="Print" icon="print" onPress={() => window.print()} />
      </Row>
      {children}
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  page: {
    padding: space.large,
    gap: space.large,
    width: '100%',
    maxWidth: 720,
    alignSelf: 'center',
  },
  buttons: { justifyContent: 'space-between' },
});
