import { formatDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useSheetsQuery } from '../../state/api';
import { Act } from '../../theme/Act';
import { Icon } from '../../theme/Icon';
import { space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { SheetImport } from './SheetImport';
import { Way } from '../../theme/Way';

/** Every engine sheet of the shop. */
export function SheetsScreen() {
  const tokens = useTokens();
  const router = useRouter();
  const sheets = useSheetsQuery();
  return (
    <Frame title="Sheets" aside="What the manuals say of each engine">
      {sheets.isLoading && <Words color="secondInk">Fetching the sheets …</Words>}
      {sheets.isError && (
        <>
          <Words as="strong">The server does not answer.</Words>
          <Act label="Ask again" onPress={() => void sheets.refetch()} />
        </>
      )}
      <Act
        label="Write a sheet for a new engine"
        icon="add"
        onPress={() => router.push('/sheets/new')}
      />
      <SheetImport sheets={sheets.data ?? []} />
      <View role="list" aria-label="Engine sheets">
        {sheets.data?.map(({ id, name, revision, publishedAt, machines }) => (
          <View key={id} role="listitem">
            <Way
              to={`/sheets/${id}`}
              name={name}
              style={[styles.row, { borderColor: tokens.line }]}
            >
              <View style={styles.text}>
                <Words as="heading">{name}</Words>
                <Words as="note" color="secondInk">
                  Revision {revision}, {formatDay(publishedAt)}
                  {machines.length > 0 ? ` · ${machines.join(', ')}` : ''}
                </Words>
              </View>
              <Icon name="open" color={tokens.ink} />
            </Way>
          </View>
        ))}
      </View>
    </Frame>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: target.primary,
    borderBottomWidth: 1,
    paddingVertical: space.medium,
  },
  text: { flex: 1 },
});
