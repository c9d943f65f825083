import { placeOf } from './placeOf.web';
import { useRouter } from 'expo-router';
import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Act } from './Act';
import { Row, Stack } from './Panel';
import { space } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from './Words';

type Props = { back: string; backTo: string; children: ReactNode };

/** A page made to be printed: its buttons stay off the paper. */
export function PrintPage({ back, backTo, children }: Props) {
  const tokens = useTokens();
  const router = useRouter();
  return (
    <ScrollView style={{ backgroundColor: tokens.sheet }} contentContainerStyle={styles.page}>
      <Row style={styles.buttons}>
        <Act label={back} icon="back" onPress={() => router.replace(placeOf(backTo))} />
        <Act label="Print" icon="print" onPress={() => window.print()} />
      </Row>
      {children}
    </ScrollView>
  );
}

/** What is at the head of every paper taken to an engine, with what must not be forgotten. */
export function PrintHead({ title, about }: { title: string; about: string }) {
  const tokens = useTokens();
  return (
    <Stack>
      <View style={[styles.head, { borderColor: tokens.ink }]}>
        <Words as="title">{title}</Words>
        <Words color="secondInk">{about}</Words>
      </View>
      <Words as="strong">
        Made unable to start before it is barred. Pins out before every turn. Fingers clear while
        anyone turns. Bar out before it starts.
      </Words>
    </Stack>
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
  buttons: { justifyContent: 'space-between', flexWrap: 'wrap' },
  head: { borderBottomWidth: 2, paddingBottom: space.small },
});
