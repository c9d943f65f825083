import type { Shop } from '@longbar/core';
import { ShopSchema } from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import * as v from 'valibot';
import { useShopQuery } from '../../state/api';
import { space, WIDE } from '../../theme/tokens';
import { Stack } from '../../ui/Panel';
import { CompanyHere } from '../company/CompanyHere';
import { Frame } from '../frame/Frame';
import { FleetsHere } from '../fleets/FleetsHere';
import { HooksHere } from '../hooks/HooksHere';
import { PeopleHere } from '../people/PeopleHere';
import { May } from '../people/May';
import { useMay } from '../people/useMay';
import { SignOut } from '../people/SignOut';
import { Coming } from '../shared/Coming';
import { ServerTrouble } from '../shared/ServerTrouble';
import { BackupsHere } from './BackupsHere';
import { CalendarHere } from './CalendarHere';
import { DemoHere } from './DemoHere';
import { HoursFile } from './HoursFile';
import { ExportImport } from './ExportImport';
import { SetAsideHere } from './SetAsideHere';
import { ShopRules } from './ShopRules';

/** The shop: how it decides, its blades and shims, and when a check counts as soon. */
export function ShopScreen() {
  const shop = useShopQuery(undefined, { refetchOnMountOrArgChange: true });
  const isForeman = useMay('foreman');
  const { width } = useWindowDimensions();
  const wide = width >= WIDE;
  return (
    <Frame title="Shop" aside={shop.data?.name}>
      {!shop.data && <Coming what="the shop’s rules" of={shop} />}
      <ServerTrouble />
      {shop.data && (
        <View style={wide ? styles.wide : styles.stack}>
          <View style={wide ? styles.rules : styles.stack}>
            <ShopRules key={keyOf(shop.data)} shop={shop.data} mayChange={isForeman} />
          </View>
          <Stack gap={space.large} style={wide ? styles.files : {}}>
            {isForeman && shop.data.company !== undefined && (
              <CompanyHere name={shop.data.company} />
            )}
            {isForeman && <PeopleHere />}
            <May role="technician">
              <HoursFile />
            </May>
            {isForeman && <FleetsHere />}
            {isForeman && <HooksHere />}
            <ExportImport whole={isForeman} />
            {isForeman && <CalendarHere />}
            <BackupsHere />
            <SetAsideHere things={shop.data.setAside ?? []} />
            {shop.data.demo && isForeman && <DemoHere />}
            <SignOut />
          </Stack>
        </View>
      )}
    </Frame>
  );
}

/** The form is made anew when the server holds other rules. */
function keyOf(shop: Shop): string {
  return JSON.stringify(v.parse(ShopSchema, shop));
}

const styles = StyleSheet.create({
  wide: { flexDirection: 'row', gap: space.huge, alignItems: 'flex-start' },
  stack: { gap: space.large },
  rules: { flex: 3 },
  files: { flex: 2 },
});
