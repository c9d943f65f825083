import type { SheetRevision } from '@longbar/core';
import { compareSheets, formatDay } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { useSheetRevisionQuery, useSheetRevisionsQuery } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { Stack } from '../../ui/Panel';
import { RadioGroup } from '../../ui/RadioGroup';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { SheetChanges } from '../shared/SheetChanges';
import { SheetFacts } from './SheetFacts';

/** Every revision of a sheet, each readable, with what changed in it. */
export function RevisionsScreen({ id }: { id: string }) {
  const asked = useSheetRevisionsQuery(id);
  const { data } = asked;
  const [chosen, setChosen] = useState<number>();
  const shown = chosen ?? data?.[0]?.revision;
  return (
    <Frame title="Revisions" back={`/sheets/${id}`}>
      {!data && <Coming what="the revisions" of={asked} />}
      <RadioGroup style={styles.list} name="Revisions">
        {data?.map(({ revision, publishedAt }: SheetRevision) => (
          <Choice
            key={revision}
            label={`Revision ${revision}`}
            detail={formatDay(publishedAt)}
            chosen={revision === shown}
            onPress={() => setChosen(revision)}
          />
        ))}
      </RadioGroup>
      {shown !== undefined && <Revision key={shown} id={id} revision={shown} />}
    </Frame>
  );
}

function Revision({ id, revision }: { id: string; revision: number }) {
  const asked = useSheetRevisionQuery({ id, revision });
  const { data } = asked;
  const before = useSheetRevisionQuery({ id, revision: revision - 1 }, { skip: revision < 2 });
  if (!data) return <Coming what="the revision" of={asked} />;
  return (
    <Stack gap={space.large}>
      {revision === 1 && <Words color="secondInk">The first revision.</Words>}
      {before.data && (
        <SheetChanges
          changes={compareSheets(before.data.document, data.document)}
          title={`What changed from revision ${revision - 1}`}
        />
      )}
      <SheetFacts sheet={data.document} />
    </Stack>
  );
}

const styles = StyleSheet.create({
  list: { flexDirection: 'row', flexWrap: 'wrap', gap: space.small },
});
