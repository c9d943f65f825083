import type { SheetLine } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../ui/Act';
import { Fold } from '../../ui/Fold';
import { Words } from '../../ui/Words';
import { AllBut } from '../shared/AllBut';
import { saveSheets } from './saveSheets';

/** Exports several sheets with their photos as one file. */
export function SheetExport({ sheets }: { sheets: readonly SheetLine[] }) {
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string>();
  const chosen = sheets.filter(({ id }) => !without.has(id)).map(({ id }) => id);
  const save = async () => {
    setProblem(undefined);
    try {
      await saveSheets('sheets', chosen);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Fold title="Export sheets" holds="Several as one file, with their photos">
      <AllBut of={sheets} without={without} onChange={setWithout} />
      <Act
        label={`Export ${chosen.length} of ${sheets.length} sheets`}
        icon="save"
        disabled={chosen.length === 0}
        onPress={() => void save()}
      />
      {problem !== undefined && (
        <Words color="stop" role="alert">
          {problem}
        </Words>
      )}
    </Fold>
  );
}
