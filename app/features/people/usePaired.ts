import type { Me } from '@longbar/core';
import { UuidSchema } from '@longbar/core';
import { useDispatch } from 'react-redux';
import * as v from 'valibot';
import { preferencesChanged } from '../../state/preferences';
import { useSync } from '../../sync/SyncProvider';

/**
 * What follows once a phone is paired: whose it is stands in the fields, and all is asked anew. Who
 * joins a job as its helper comes to the helper's view.
 */
export function usePaired(): (me: Me) => Promise<void> {
  const dispatch = useDispatch();
  const sync = useSync();
  return async (me) => {
    await sync.heldBy(me);
    // Whoever held it before: what is done with it is this person's from here on.
    dispatch(preferencesChanged({ name: me.name, names: [me.name] }));
    const job = v.safeParse(UuidSchema, new URLSearchParams(window.location.search).get('job'));
    window.location.replace(job.success ? `/jobs/${job.output}/helper` : '/');
  };
}

/** The code at the end of a pairing link; the code itself is taken as well. */
export function codeIn(link: string): string {
  return link.trim().split('#').at(-1) ?? '';
}
