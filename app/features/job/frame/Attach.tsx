import type { Attachment } from '@longbar/core';
import { useState } from 'react';
import { useSync } from '../../../sync/SyncProvider';
import { attachmentFrom } from '../../../sync/attachment';
import { Act } from '../../../theme/Act';
import { Stack } from '../../../theme/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { pickFile } from '../../frame/pickFile';
import { Attachments } from './Attachments';

type Props = { attached: readonly Attachment[]; onAttach: (attached: Attachment[]) => void };

/** Adds a photo or a sound clip: on this phone's disk first, sent when the server is there. */
export function Attach({ attached, onAttach }: Props) {
  const sync = useSync();
  const [problem, setProblem] = useState<string>();
  const take = async (file: File) => {
    setProblem(undefined);
    try {
      const blob = await attachmentFrom(file);
      await sync.keepBlob(blob);
      const { sha256, type } = blob;
      onAttach([...attached.filter((each) => each.sha256 !== sha256), { sha256, type }]);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Stack gap={space.small}>
      <Act
        label="Add a photo or a sound clip"
        icon="photo"
        onPress={() => pickFile('image/*,audio/*,video/*', (file) => void take(file))}
      />
      <Attachments attached={attached} />
      {attached.length > 0 && <Act label="Take them off" onPress={() => onAttach([])} />}
      {problem !== undefined && (
        <Words color="stop" role="alert">
          {problem}
        </Words>
      )}
    </Stack>
  );
}
