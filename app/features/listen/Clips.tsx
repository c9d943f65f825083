import type { Attachment, EngineSheet, JobState } from '@longbar/core';
import { useEffect, useState } from 'react';
import { bytesOf } from '../../api/request';
import { useSync } from '../../sync/SyncProvider';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { space } from '../../theme/tokens';
import { Attachments } from '../shared/Attachments';
import type { HeardClip } from './hearClip';
import { hearClip } from './hearClip';
import { SoundPictureDrawing } from './SoundPictureDrawing';

type Props = { noise: JobState['noise']; sheet: EngineSheet };

/** The clips of before and after, to look at one below the other and to hear. */
export function Clips({ noise: { before, after }, sheet }: Props) {
  return (
    <Stack gap={space.medium}>
      {before && <Clip name="Before" clip={before.clip} sheet={sheet} />}
      {after && <Clip name="After" clip={after.clip} sheet={sheet} />}
    </Stack>
  );
}

function Clip({ name, clip, sheet }: { name: string; clip: Attachment; sheet: EngineSheet }) {
  const { picture, failed } = usePicture(clip, sheet);
  return (
    <Stack gap={4}>
      <Words as="strong">{name}</Words>
      {picture && <SoundPictureDrawing name={name} picture={picture} />}
      {failed !== undefined && <Words as="note">No picture of it: {failed}</Words>}
      <Attachments attached={[clip]} />
    </Stack>
  );
}

/** A second of a kept clip; the bytes come from this phone, else from the server. */
function usePicture({ sha256 }: Attachment, sheet: EngineSheet) {
  const sync = useSync();
  const [told, setTold] = useState<{ picture?: HeardClip['picture']; failed?: string }>({});
  useEffect(() => {
    const own = new AbortController();
    const heard = async () => {
      const kept = await sync.blob(sha256);
      const bytes = kept?.body ?? (await bytesOf(`/blobs/${sha256}`, own.signal));
      return hearClip(bytes, sheet, own.signal);
    };
    heard()
      .then(({ picture }) => setTold({ picture }))
      .catch((error: Error) => {
        if (!own.signal.aborted) setTold({ failed: error.message });
      });
    return () => own.abort();
  }, [sync, sha256, sheet]);
  return told;
}
