import { ignore } from '@longbar/core';
import { useEffect } from 'react';
import { useMeQuery } from '../../state/api';
import { useSync } from '../../sync/SyncProvider';

/** Notes whose phone this is whenever the server says it. */
export function useHolder(): void {
  const sync = useSync();
  const { data } = useMeQuery();
  useEffect(() => {
    if (data) sync.heldBy(data).catch(ignore('it is noted when the server says it again'));
  }, [sync, data]);
}
