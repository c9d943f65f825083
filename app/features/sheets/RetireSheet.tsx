import type { SheetDetail } from '@longbar/core';
import { useState } from 'react';
import { usePatchSheetMutation, useSheetsQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

const list = new Intl.ListFormat('en-GB');

/** Takes a sheet that no machine goes by out of the lists, or back into them. */
export function RetireSheet({ sheet }: { sheet: SheetDetail }) {
  const { data: sheets } = useSheetsQuery();
  const [patch, { isLoading }] = usePatchSheetMutation();
  const [problem, setProblem] = useState<string>();
  const retired = Boolean(sheet.retiredAt);
  const change = async () => {
    setProblem(undefined);
    const { error } = await patch({ id: sheet.id, retired: !retired });
    if (error) setProblem(refusalOf(error).message);
  };
  const users = sheets?.find(({ id }) => id === sheet.id)?.machines ?? [];
  // What the server would refuse is not offered.
  if (users.length > 0) {
    return (
      <Words as="note" color="secondInk">
        {`${list.format(users)} ${users.length === 1 ? 'goes' : 'go'} by this sheet: it can be retired once no machine does.`}
      </Words>
    );
  }
  return (
    <Stack>
      {retired && <Words as="strong">This sheet is retired: no list offers it.</Words>}
      <Act
        label={retired ? 'Bring the sheet back' : 'Retire the sheet'}
        disabled={isLoading}
        onPress={() => void change()}
      />
      {problem !== undefined && (
        <Words color="stop" role="alert">
          {problem}
        </Words>
      )}
    </Stack>
  );
}
