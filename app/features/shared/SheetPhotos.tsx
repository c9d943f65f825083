import type { EngineSheet } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Attachments } from './Attachments';

/** The manual's page, the marks: what hangs on a sheet, each with what it shows. */
export function SheetPhotos({ sheet: { photos = [] } }: { sheet: Pick<EngineSheet, 'photos'> }) {
  return photos.map(({ sha256, type, what }) => (
    <Stack key={sha256} gap={4}>
      <Words as="strong">{what}</Words>
      <Attachments attached={[{ sha256, type }]} large />
    </Stack>
  ));
}
