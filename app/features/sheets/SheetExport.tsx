import type { SheetLine } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Fold } from '../../ui/Fold';
import { Tiles } from '../../ui/Tiles';
import { Words } from '../../ui/Words';
import { saveSheets } from './saveSheets';

/** Exports several sheets with their photos as one file. */
export function SheetExport({ sheets }: { sheets: readonly SheetLine[] }) {
  const [without, setWithout] = useState<ReadonlySet<string>>(new Set());
  const [problem, setProblem] = useState<string>();
  const chosen = sheets.filter(({ id }) => !without.has(id)).map(({ id }) => id);
  const turn = (id: string) => {
    const next = new Set(without);
    if (!next.delete(id)) next.add(id);
    setWithout(next);
  };
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
      <Tiles columns={2}>
        {sheets.map(({ id, name }) => (
          <Choice
            key={id}
            label={name}
            several
            chosen={!without.has(id)}
            onPress={() => turn(id)}
          />
        ))}
      </Tiles>
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
