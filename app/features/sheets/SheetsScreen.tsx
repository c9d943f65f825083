import { formatDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useSheetsQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { HeadGlyph } from '../../drawing/HeadGlyph';
import { LinkRow } from '../../ui/LinkRow';
import { useSeenSoFar } from '../../ui/useSeenSoFar';
import { CompanySheetsHere } from '../company/CompanySheetsHere';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { RetiredSheets } from './RetiredSheets';
import { SheetExport } from './SheetExport';
import { May } from '../people/May';
import { useMay } from '../people/useMay';
import { SheetImport } from './SheetImport';

/** Every engine sheet of the shop. */
export function SheetsScreen() {
  const router = useRouter();
  const isForeman = useMay('foreman');
  const sheets = useSheetsQuery();
  const { count, end } = useSeenSoFar(sheets.data?.length ?? 0);
  return (
    <Frame title="Sheets" aside="What the manuals say of each engine">
      {!sheets.data && <Coming what="the sheets" of={sheets} />}
      <May role="technician">
        <Act
          label="Write a sheet for a new engine"
          icon="add"
          onPress={() => router.push('/sheets/new')}
        />
      </May>
      {isForeman && <SheetImport />}
      <View role="list" aria-label="Engine sheets">
        {sheets.data?.slice(0, count).map(({ id, name, revision, publishedAt, machines, head }) => (
          <LinkRow
            key={id}
            to={`/sheets/${id}`}
            title={name}
            {...(head && { picture: <HeadGlyph head={head} /> })}
            detail={`Revision ${revision}, ${formatDay(publishedAt)}${machines.length > 0 ? ` · ${machines.join(', ')}` : ''}`}
          />
        ))}
        {end}
      </View>
      {isForeman && <CompanySheetsHere />}
      {sheets.data && sheets.data.length > 0 && <SheetExport sheets={sheets.data} />}
      <RetiredSheets />
    </Frame>
  );
}
