import type { SheetDetail } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { usePublishSheetMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { Draft } from './useDraft';

type Props = {
  draft: Draft;
  published: SheetDetail | undefined;
  onDiscard: () => void;
  /** Somebody asked to publish what is not right yet. */
  onTry: () => void;
};

/** Publishing what is written, or discarding it; what is wrong is said once it is asked for. */
export function Publish({ draft, published, onDiscard, onTry }: Props) {
  const router = useRouter();
  const [publish, { isLoading }] = usePublishSheetMutation();
  const [refused, setRefused] = useState<string>();
  const [tried, setTried] = useState(false);
  const { issues, changed } = draft;
  const send = async () => {
    setTried(true);
    onTry();
    if (issues.length > 0) return;
    const answer = await publish({ id: published?.id ?? uuid(), document: draft.sheet });
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
      <Row>
        <Act label="Discard" disabled={!changed} onPress={onDiscard} style={{ flex: 1 }} />
        <Act
          weight="primary"
          label={isLoading ? 'Publishing …' : `Publish revision ${(published?.revision ?? 0) + 1}`}
          disabled={!changed || isLoading}
          onPress={() => void send()}
          style={{ flex: 1 }}
        />
      </Row>
    </Stack>
  );
}
