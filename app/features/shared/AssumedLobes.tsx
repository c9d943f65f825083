import type { EngineSheet } from '@longbar/core';
import { assumedLobes } from '@longbar/core';
import { Caution } from '../../ui/Caution';

/** Which lobes of the sheet are typical figures, where any are: every margin hangs on them. */
export function AssumedLobes({ sheet }: { sheet: EngineSheet }) {
  const assumed = assumedLobes(sheet);
  if (assumed.length === 0) return null;
  const kinds = new Intl.ListFormat('en').format(assumed);
  return (
    <Caution>
      {`The ${kinds} lobes are typical figures, not the maker’s. Every margin hangs on them: hold the positions against the manual.`}
    </Caution>
  );
}
