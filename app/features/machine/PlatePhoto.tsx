import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { space } from '../../theme/tokens';
import { Attachments } from '../shared/Attachments';
import { useKeepFile } from '../shared/useKeepFile';

type Props = { photo: string; onPhoto: (sha256: string) => void };

/** The photo of the engine's plate: on this phone first, sent when the server is there. */
export function PlatePhoto({ photo, onPhoto }: Props) {
  const { pick, problem } = useKeepFile(({ sha256 }) => onPhoto(sha256));
  return (
    <Stack gap={space.small}>
      <Act
        label={photo === '' ? 'Photo of the plate' : 'Another photo of the plate'}
        icon="photo"
        onPress={() => pick('image/*')}
      />
      {photo !== '' && (
        <>
          <Attachments attached={[{ sha256: photo, type: 'image/jpeg' }]} />
          <Act label="Take the photo off" onPress={() => onPhoto('')} />
        </>
      )}
      {problem !== undefined && (
        <Words color="stop" role="alert">
          {problem}
        </Words>
      )}
    </Stack>
  );
}
