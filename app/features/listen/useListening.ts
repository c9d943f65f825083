import type { Attachment, EngineSheet, Heard } from '@longbar/core';
import { CLIP_SECONDS } from '@longbar/core';
import { useEffect, useRef, useState } from 'react';
import { attachmentFrom } from '../../sync/attachment';
import { useSync } from '../../sync/SyncProvider';
import { pickFile } from '../frame/pickFile';
import { hearClip } from './hearClip';
import { recordSound } from './recordSound';

export type Listening = {
  /** What goes on now: the microphone is open, or a clip is being listened to. */
  at: 'rest' | 'recording' | 'hearing';
  /** Why the last one came to nothing. */
  problem: string | undefined;
  record: () => void;
  pick: () => void;
  cancel: () => void;
};

/** A recorder begins and ends a little late; a file is as long as it is. */
const WHOLE_SECONDS = { recording: CLIP_SECONDS - 0.5, hearing: 0 };

/** Records a clip or takes a file, listens to it, and keeps it on this phone before it is told. */
export function useListening(
  sheet: EngineSheet,
  onHeard: (clip: Attachment, heard: Heard) => void,
): Listening {
  const sync = useSync();
  const [at, setAt] = useState<Listening['at']>('rest');
  const [problem, setProblem] = useState<string>();
  const running = useRef<AbortController>(null);
  // Whoever leaves the page closes the microphone.
  useEffect(() => () => running.current?.abort(), []);
  const take = async (
    begins: keyof typeof WHOLE_SECONDS,
    clip: (signal: AbortSignal) => Promise<File>,
  ) => {
    running.current?.abort();
    const own = new AbortController();
    running.current = own;
    setProblem(undefined);
    setAt(begins);
    try {
      const file = await clip(own.signal);
      setAt('hearing');
      const { sha256, type, body } = await attachmentFrom(file);
      const { heard } = await hearClip(body, sheet, own.signal, WHOLE_SECONDS[begins]);
      await sync.keepBlob({ sha256, type, body });
      onHeard({ sha256, type }, heard);
    } catch (error) {
      // What somebody ended needs no words.
      if (own.signal.aborted) return;
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      if (running.current === own) setAt('rest');
    }
  };
  return {
    at,
    problem,
    record: () => void take('recording', recordSound),
    pick: () =>
      pickFile('audio/*,video/*', (file) => void take('hearing', () => Promise.resolve(file))),
    cancel: () => running.current?.abort(),
  };
}
