import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { localDay } from '@longbar/core';
import { space, WIDE } from '../../theme/tokens';
import { Stack } from '../../ui/Panel';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { useCompanyQuery } from './companyApi';
import { countWords } from './companyWords';
import { MoveMachine } from './MoveMachine';
import { ShopCard } from './ShopCard';

/** The shops of a company side by side: what is due, what is planned, what drift asks for. */
export function CompanyScreen() {
  const asked = useCompanyQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = asked;
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  const today = localDay(new Date());
  return (
    <Frame
      title={data?.name ?? 'Company'}
      aside={data && countWords(data.shops.length, 'shop')}
      back="/shop"
    >
      {!data && <Coming what="how the shops do" of={asked} />}
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
