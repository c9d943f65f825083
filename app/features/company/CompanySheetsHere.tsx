import type { CompanySheet } from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useCompanySheetsQuery, useTakeSheetMutation } from './companyApi';

/** The sheets that the company offers and this shop has not taken, or not in their newest revision. */
export function CompanySheetsHere() {
  const { data } = useCompanySheetsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [taken, setTaken] = useState<string>();
  if (!data || data.company === null || data.runFromHere) return null;
  const open = data.sheets.filter(({ here, revision }) => here === null || here < revision);
  if (open.length === 0 && taken === undefined) return null;
  return (
    <Stack>
      <Words as="heading">{`From ${data.company}`}</Words>
      <View role="list" aria-label={`Sheets from ${data.company}`}>
        {open.map((sheet) => (
          <Offered key={sheet.id} sheet={sheet} onTaken={() => setTaken(sheet.name)} />
        ))}
      </View>
      {taken !== undefined && (
        <Words role="status">
          {`${taken} is here now. A machine goes by it once that is said on the machine’s page.`}
        </Words>
      )}
    </Stack>
  );
}

function Offered({ sheet, onTaken }: { sheet: CompanySheet; onTaken: () => void }) {
  const [take, taking] = useTakeSheetMutation();
  const { id, name, revision, here } = sheet;
  return (
    <View role="listitem">
      <Stack gap={space.small} style={{ paddingVertical: space.small }}>
        <Words as="strong">{name}</Words>
        <Words as="note" color="secondInk">
          {`Revision ${revision}; ${here === null ? 'not in this shop yet' : `here is revision ${here}`}`}
        </Words>
        {taking.error && (
          <Words color="stop" role="alert">
            {refusalOf(taking.error).message}
          </Words>
        )}
        <Act
          label={taking.isLoading ? 'Taking …' : `Take ${name}`}
          disabled={taking.isLoading}
          onPress={() => void take(id).then((answer) => !answer.error && onTaken())}
        />
      </Stack>
    </View>
  );
}
