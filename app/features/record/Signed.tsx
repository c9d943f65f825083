import { signatureCode, sealWords } from '@longbar/core';
import { useEffect, useState } from 'react';
import { QrCode } from '../../drawing/QrCode';
import { useSealQuery } from '../../state/api';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';

/** What holds a record together: its seal, and the signature of the phone it was signed on. */
export function Signed({ job }: { job: WorkingJob }) {
  const { id } = job.setting.head;
  const { data } = useSealQuery(id, { refetchOnMountOrArgChange: true });
  if (!data) return null;
  const { signature } = data;
  return (
    <>
      {sealWords(data).map(({ text, grave }) => (
        <Words key={text} as="note" color={grave ? 'stop' : 'secondInk'} role="status">
          {text}
        </Words>
      ))}
      {signature?.fits && (
        <QrCode text={signatureCode(signature)} size={220} says="The seal and its signature" />
      )}
      {data.seal !== null && !signature?.fits && <SignByKey id={id} />}
    </>
  );
}

/**
 * On the phone that a job was signed on, where its key has not signed the record as it stands: more
 * had arrived from another phone by then.
 */
function SignByKey({ id }: { id: string }) {
  const sync = useSync();
  const [isOurs, setIsOurs] = useState(false);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    void sync.isSignedHere(id).then(setIsOurs);
  }, [sync, id]);
  if (!isOurs) return null;
  const sign = async () => {
    setBusy(true);
    try {
      await sync.prove(id);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Words>
        This phone’s key has not signed the record as it stands above. Read what it says now, then
        sign it.
      </Words>
      {problem !== undefined && (
        <Words color="stop" role="alert">
          {problem}
        </Words>
      )}
      <Act
        label={busy ? 'Signing …' : 'Sign it by this phone’s key'}
        disabled={busy}
        onPress={() => void sign()}
      />
    </>
  );
}
