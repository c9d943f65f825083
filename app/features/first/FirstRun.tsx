import type { ShopHere, SheetLine } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useChangeShopMutation, useLoadDemoMutation, useSheetsQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { beginAs } from '../../phone/shopOfPhone';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { webStyle } from '../../ui/webStyle.web';
import { Words } from '../../ui/Words';
import { SheetImport } from '../sheets/SheetImport';
import { ShopBasicsFields } from '../shop/ShopBasicsFields';
import { basicsOf } from '../shop/shopDraft';
import { FirstStep } from './FirstStep';
import { PutBackShops } from './PutBackShop';

/** An empty shop: three steps to the first job, each of which can be left and come back to. */
export function FirstRun({ shop }: { shop: ShopHere }) {
  const sheets = useSheetsQuery();
  const written = sheets.data ?? [];
  const isEmpty = shop.unnamed && sheets.data?.length === 0;
  const [wasEmpty, setWasEmpty] = useState(isEmpty);
  if (isEmpty && !wasEmpty) setWasEmpty(true);
  return (
    <Stack gap={space.large}>
      {isEmpty && <PutBackShops />}
      <Stack gap={space.hair}>
        <Words as="heading">Three steps to the first job</Words>
        <Words color="secondInk">
          Each can be left and come back to. Have the maker’s current manual at hand: the figures
          come from it.
        </Words>
      </Stack>
      <FirstStep
        number={1}
        title="The shop"
        done={!shop.unnamed}
        holds={
          shop.unnamed ? 'Its name, and which units come first' : `${shop.name}, ${unitsOf(shop)}`
        }
      >
        <NameShop shop={shop} />
      </FirstStep>
      <FirstStep
        number={2}
        title="The first engine"
        done={written.length > 0}
        holds={
          written.length > 0
            ? new Intl.ListFormat('en').format(written.map(({ name }) => name))
            : 'What its manual says: from a pattern, or from a file'
        }
      >
        <FirstEngine sheets={written} />
      </FirstStep>
      <FirstStep
        number={3}
        title="The first machine"
        done={false}
        holds={
          written.length > 0 ? 'What stands in the yard with that engine' : 'Its engine comes first'
        }
      >
        <FirstMachine sheets={written} />
      </FirstStep>
      {/* Its place is kept: a page that becomes shorter would take the next step from under a finger. */}
      {wasEmpty && (
        <View style={!isEmpty && styles.gone}>
          <DemoFirst />
        </View>
      )}
    </Stack>
  );
}

function unitsOf({ units }: ShopHere): string {
  return units ? `${units.length} and ${units.torque} first` : 'mm and N·m first';
}

function NameShop({ shop }: { shop: ShopHere }) {
  const [basics, setBasics] = useState(() => ({
    ...basicsOf(shop),
    ...(shop.unnamed && { name: '' }),
  }));
  const [save, { isLoading, isSuccess, error }] = useChangeShopMutation();
  const [sent, setSent] = useState<typeof basics>();
  const isSaved = isSuccess && sent === basics;
  const { address, ...rest } = basics;
  const change = { ...shop, ...rest, ...(address.trim() && { address }) };
  return (
    <Stack>
      <ShopBasicsFields
        basics={basics}
        onChange={(next) => setBasics((before) => ({ ...before, ...next }))}
      />
      <Words as="note" color="secondInk">
        Common blades stand in until yours are typed in under Shop: 0.05 to 1.00 mm by 0.05, and 1
        to 30 thou.
      </Words>
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      <Act
        weight="primary"
        label={isLoading ? 'Saving …' : isSaved ? 'Saved' : 'Save the shop'}
        disabled={basics.name.trim() === '' || isLoading || isSaved}
        onPress={() => {
          setSent(basics);
          void save(change);
        }}
      />
    </Stack>
  );
}

function FirstEngine({ sheets }: { sheets: readonly SheetLine[] }) {
  const router = useRouter();
  return (
    <Stack>
      <Act
        weight={sheets.length === 0 ? 'primary' : 'plain'}
        label={sheets.length === 0 ? 'Write its sheet' : 'Write another sheet'}
        icon="add"
        onPress={() => router.push('/sheets/new')}
      />
      <SheetImport />
    </Stack>
  );
}

function FirstMachine({ sheets }: { sheets: readonly SheetLine[] }) {
  const router = useRouter();
  const [only] = sheets;
  const query = sheets.length === 1 && only ? `?sheet=${only.id}` : '';
  return (
    <Act
      weight="primary"
      label="Add the machine"
      disabled={sheets.length === 0}
      onPress={() => router.push(`/machines/new${query}`)}
    />
  );
}

function DemoFirst() {
  const [load, { isLoading, error }] = useLoadDemoMutation();
  const go = async () => {
    const { data } = await load();
    if (data) beginAs(data.id);
  };
  return (
    <Stack gap={space.small}>
      <Words as="heading">Or look round first</Words>
      <Words color="secondInk">
        The demo is an invented works with eight machines. It is a shop of its own, and goes as a
        whole when you remove it.
      </Words>
      <Row>
        <Act
          label={isLoading ? 'Loading the demo …' : 'Load the demo'}
          disabled={isLoading}
          onPress={() => void go()}
          style={{ flex: 1 }}
        />
      </Row>
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({ gone: webStyle({ visibility: 'hidden' }) });
