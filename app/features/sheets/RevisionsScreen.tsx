import type { SheetChange, SheetRevision } from '@longbar/core';
import { compareSheets, formatDay } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSheetRevisionQuery, useSheetRevisionsQuery } from '../../state/api';
import { Choice } from '../../theme/Choice';
import { Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { Frame } from '../frame/Frame';
import { SheetFacts } from './SheetFacts';

/** Every revision of a sheet, each readable, with what changed in it. */
export function RevisionsScreen({ id }: { id: string }) {
  const { data, isError } = useSheetRevisionsQuery(id);
  const [chosen, setChosen] = useState<number>();
  const shown = chosen ?? data?.[0]?.revision;
  return (
    <Frame title="Revisions" back={`/sheets/${id}`}>
      {!data && (
        <Words>
          {isError ? 'The server does not give the revisions.' : 'Fetching the revisions …'}
        </Words>
      )}
      <View style={styles.list} role="radiogroup" aria-label="Revisions">
        {data?.map(({ revision, publishedAt }: SheetRevision) => (
          <Choice
            key={revision}
            label={`Revision ${revision}`}
            detail={formatDay(publishedAt)}
            chosen={revision === shown}
            onPress={() => setChosen(revision)}
          />
        ))}
      </View>
      {shown !== undefined && <Revision key={shown} id={id} revision={shown} />}
    </Frame>
  );
}

function Revision({ id, revision }: { id: string; revision: number }) {
  const { data } = useSheetRevisionQuery({ id, revision });
  const before = useSheetRevisionQuery({ id, revision: revision - 1 }, { skip: revision < 2 });
  if (!data) return <Words>Fetching the revision …</Words>;
  return (
    <Stack gap={space.large}>
      {revision === 1 && <Words color="secondInk">The first revision.</Words>}
      {before.data && (
        <Changes
          changes={compareSheets(before.data.document, data.document)}
          title={`What changed from revision ${revision - 1}`}
        />
      )}
      <SheetFacts sheet={data.document} />
    </Stack>
  );
}

function Changes({ changes, title }: { changes: readonly SheetChange[]; title: string }) {
  const tokens = useTokens();
  return (
    <View role="table" aria-label={title}>
      <Words as="heading">{title}</Words>
      {changes.map(({ what, before, after }) => (
        <View key={what} role="row" style={[styles.change, { borderColor: tokens.hair }]}>
          <Words role="rowheader" style={styles.what}>
            {what}
          </Words>
          <Words role="cell" as="figure" color="secondInk" style={styles.figure}>
            {before || 'none'}
          </Words>
          <Words as="note" color="secondInk">
            now
          </Words>
          <Words role="cell" as="figure" style={styles.figure}>
            {after || 'none'}
          </Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
  change: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    gap: space.small,
    borderBottomWidth: 1,
    paddingVertical: space.small,
  },
  what: { flexGrow: 2, flexBasis: 180 },
  figure: { flexShrink: 1, fontSize: 17 },
});
