import { useState } from 'react';
import { attachmentFrom } from '../../sync/attachment';
import { useSync } from '../../sync/SyncProvider';
import type { KeptBlob } from '../../phone/phoneDatabase';
import { pickFile } from '../frame/pickFile';

type KeepFile = {
  /** Lets a file of these kinds be picked and keeps it. */
  pick: (accept: string) => void;
  /** Why the last one could not be kept. */
  problem: string | undefined;
};

/** Keeps a picked photo or clip on this phone's disk first; it is sent when the server is there. */
export function useKeepFile(onKept: (blob: KeptBlob) => void): KeepFile {
  const sync = useSync();
  const [problem, setProblem] = useState<string>();
  const keep = async (file: File) => {
    setProblem(undefined);
    try {
      const blob = await attachmentFrom(file);
      await sync.keepBlob(blob);
      onKept(blob);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return { pick: (accept) => pickFile(accept, (file) => void keep(file)), problem };
}
