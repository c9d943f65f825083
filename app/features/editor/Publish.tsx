import type { SheetDetail } from '@longbar/core';
import { SHEETS_FORMAT } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { usePublishSheetMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { saveFile } from '../frame/saveFile';
import { useMay } from '../people/useMay';
import type { Draft } from './useDraft';

/** What a draft is called on its way to a foreman. */
const DRAFT_FILE = 'long-bar-draft.json';

type Props = {
  draft: Draft;
  published: SheetDetail | undefined;
  onDiscard: () => void;
  /** Somebody asked to publish what is not right yet. */
  onTry: () => void;
};

/**
 * Publishing what is written, or discarding it; what is wrong is said once it is asked for. Who is
 * no foreman hands the draft to one as a file.
 */
export function Publish({ draft, published, onDiscard, onTry }: Props) {
  const router = useRouter();
  const [publish, { isLoading }] = usePublishSheetMutation();
  const [refused, setRefused] = useState<string>();
  const [tried, setTried] = useState(false);
  const isForeman = useMay('foreman');
  const [saved, setSaved] = useState(false);
  const { issues, changed } = draft;
  const [fresh] = useState(() => uuid());
  const id = published?.id ?? fresh;
  const send = async () => {
    setTried(true);
    onTry();
    if (issues.length > 0) return;
    if (!isForeman) {
      const sheets = [{ id, document: draft.sheet }];
      saveFile(DRAFT_FILE, { format: SHEETS_FORMAT, sheets });
      return setSaved(true);
    }
    const answer = await publish({ id, document: draft.sheet });
    if (answer.error !== undefined) return setRefused(refusalOf(answer.error).message);
    draft.discard();
    router.replace(`/sheets/${answer.data.id}`);
  };
  return (
    <Stack>
      {tried && issues.length > 0 && (
        <Words as="strong" color="stop" role="alert">
          {issues.length === 1 ? 'One thing' : `${issues.length} things`} to be mended before it can
          be published: {issues[0]?.message}
        </Words>
      )}
      {refused !== undefined && (
        <Words as="strong" color="stop" role="alert">
          Not published: {refused} What you typed is kept here.
        </Words>
      )}
      {!isForeman && (
        <Words color="secondInk" role={saved ? 'status' : undefined}>
          {saved
            ? 'The draft is saved as a file: a foreman imports it under Sheets. It stays here as well.'
            : 'A foreman publishes sheets. Hand the draft over as a file; it stays here as well.'}
        </Words>
      )}
      <Row>
        <Act label="Discard" disabled={!changed} onPress={onDiscard} style={{ flex: 1 }} />
        <Act
          weight="primary"
          label={labelOf()}
          disabled={!changed || isLoading}
          onPress={() => void send()}
          style={{ flex: 1 }}
        />
      </Row>
    </Stack>
  );
  function labelOf(): string {
    if (!isForeman) return 'Save the draft for a foreman';
    return isLoading ? 'Publishing …' : `Publish revision ${(published?.revision ?? 0) + 1}`;
  }
}
