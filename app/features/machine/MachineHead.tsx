import type { MachineDetail } from '@longbar/core';
import {
  adjustersOf,
  formatSetting,
  measureOf,
  recordedLook,
  seatingOf,
  sheetForTag,
  verdictOf,
} from '@longbar/core';
import { useMemo } from 'react';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** A machine's head as the last check left it: the figures, and where to look. */
export function MachineHead({ machine, width }: { machine: MachineDetail; width: number }) {
  const { document, tag, lastLeft } = machine;
  const sheet = useMemo(() => sheetForTag(document, tag), [document, tag]);
  const cells = useMemo(() => cellsOf(machine, sheet), [machine, sheet]);
  const limits = sheet.adjusters.flatMap(({ kind, spec, ...entry }) => {
    if (!spec) return [];
    const [low, high] = [spec.low, spec.high].map((each) => formatSetting(measureOf(entry), each));
    return [`${kind} ${low} to ${high}`];
  });
  return (
    <Stack gap={6}>
      <Words as="heading">{lastLeft ? 'As the last check left it' : 'Its head'}</Words>
      <HeadMap banks={seatingOf(sheet)} cells={cells} width={width} />
      {limits.length > 0 && <Words as="note">Limits: {limits.join(', ')}.</Words>}
      {Object.values(cells).some(({ odd }) => odd) && (
        <Words as="note">Marked: outside its limits, or drift asks for a look at it.</Words>
      )}
    </Stack>
  );
}

function cellsOf(
  { lastLeft, findings, recheck }: MachineDetail,
  sheet: MachineDetail['document'],
): Record<string, MapCell> {
  const found = new Set(findings.flatMap(({ ids }) => ids));
  return Object.fromEntries(
    adjustersOf(sheet).map(({ id, entry }): [string, MapCell] => {
      const reading = lastLeft?.readings[id];
      const verdict = reading && entry.spec && verdictOf(entry.spec, reading);
      const left = reading && { reading, verdict };
      const look = recordedLook({ measure: measureOf(entry), left }, 'left');
      const asked = found.has(id) || recheck?.adjuster === id;
      const odd = look.odd || asked;
      const says = asked ? `${look.says}, drift asks for a look` : look.says;
      return [id, { ...look, odd, says }];
    }),
  );
}
