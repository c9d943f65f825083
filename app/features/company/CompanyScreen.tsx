import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { localDay } from '@longbar/core';
import { refusalOf } from '../../state/refusal';
import { space, WIDE } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { useCompanyQuery } from './companyApi';
import { countWords } from './companyWords';
import { MoveMachine } from './MoveMachine';
import { ShopCard } from './ShopCard';

/** The shops of a company side by side: what is due, what is planned, what drift asks for. */
export function CompanyScreen() {
  const { data, error, refetch } = useCompanyQuery(undefined, { refetchOnMountOrArgChange: true });
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const today = localDay(new Date());
  return (
    <Frame
      title={data?.name ?? 'Company'}
      aside={data && countWords(data.shops.length, 'shop')}
      back="/shop"
    >
      {!data && !error && <Words color="secondInk">Asking how the shops do …</Words>}
      {error && !data && (
        <Stack>
          <Words color="stop" role="alert">
            {refusalOf(error).message}
          </Words>
          <Act label="Try again" onPress={() => void refetch()} />
        </Stack>
      )}
      {data && (
        <Stack gap={space.huge}>
          <View role="list" aria-label="Shops" style={wide ? styles.beside : styles.below}>
            {data.shops.map((shop) => (
              <View key={shop.id} role="listitem" style={wide ? styles.column : {}}>
                <ShopCard shop={shop} weeks={data.weeks} today={today} />
              </View>
            ))}
          </View>
          {data.shops.length > 1 && (
            <View style={wide ? styles.form : {}}>
              <MoveMachine shops={data.shops} />
            </View>
          )}
        </Stack>
      )}
    </Frame>
  );
}

const styles = StyleSheet.create({
  beside: { flexDirection: 'row', flexWrap: 'wrap', gap: space.large, alignItems: 'flex-start' },
  below: { gap: space.large },
  column: { flexGrow: 1, flexBasis: 340, maxWidth: 560 },
  form: { maxWidth: 560 },
});
