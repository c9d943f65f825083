import type { Attachment } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { Attachments } from '../../shared/Attachments';
import { usePractising } from '../../shared/practising';
import { useKeepFile } from '../../shared/useKeepFile';

type Props = { attached: readonly Attachment[]; onAttach: (attached: Attachment[]) => void };

/** Adds a photo or a sound clip: on this phone's disk first, sent when the server is there. */
export function Attach({ attached, onAttach }: Props) {
  const practising = usePractising();
  const { pick, problem } = useKeepFile(({ sha256, type }) =>
    onAttach([...attached.filter((each) => each.sha256 !== sha256), { sha256, type }]),
  );
  if (practising) return null;
  return (
    <Stack gap={space.small}>
      <Act
        label="Add a photo or a sound clip"
        icon="photo"
        onPress={() => pick('image/*,audio/*,video/*')}
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
