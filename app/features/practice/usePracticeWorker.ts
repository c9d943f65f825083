import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { useSame } from '../../ui/useSame';
import type { PracticeWorker } from './practice.worker';

export type Worked<Result> = { result?: Result; failed?: string };

/**
 * What takes a while to work out, worked out beside the thread that handles taps; undefined until
 * then. `asked` says what is asked for: another, and it is worked out anew.
 */
export function usePracticeWorker<Result>(
  asked: string,
  work: (worker: Remote<PracticeWorker>) => Promise<Result>,
): Worked<Result> {
  const [answer, setAnswer] = useState<Worked<Result> & { for: string }>();
  const begin = useSame(work);
  useEffect(() => {
    let current = true;
    const worker = new Worker(new URL('./practice.worker', import.meta.url));
    const keep = (worked: Worked<Result>) => {
      if (current) setAnswer({ for: asked, ...worked });
    };
    begin(wrap<PracticeWorker>(worker))
      .then((result) => keep({ result }))
      .catch((error: Error) => keep({ failed: error.message }));
    return () => {
      current = false;
      worker.terminate();
    };
  }, [asked, begin]);
  return answer?.for === asked ? answer : {};
}
