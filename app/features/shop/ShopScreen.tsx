import type { Shop } from '@longbar/core';
import { useShopQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { DemoHere } from './DemoHere';
import { HoursFile } from './HoursFile';
import { ExportImport } from './ExportImport';
import { ShopRules } from './ShopRules';

/** The shop: how it decides, its blades and shims, and when a check counts as soon. */
export function ShopScreen() {
  const shop = useShopQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Frame title="Shop" aside={shop.data?.name}>
      {shop.isLoading && <Words color="secondInk">Fetching the shop’s rules …</Words>}
      {shop.isError && (
        <Stack>
          <Words as="strong">The server could not be reached. The shop’s rules need it.</Words>
          <Act label="Try again" onPress={() => void shop.refetch()} />
        </Stack>
      )}
      {shop.data && <ShopRules key={keyOf(shop.data)} shop={shop.data} />}
      {shop.data && <HoursFile />}
      {shop.data && <ExportImport />}
      {shop.data?.demo && <DemoHere />}
    </Frame>
  );
}

/** The form is made anew when the server holds other rules. */
function keyOf(shop: Shop): string {
  return JSON.stringify(shop);
}
