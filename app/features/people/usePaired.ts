import type { Me } from '@longbar/core';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../state/preferences';
import { useSync } from '../../sync/SyncProvider';

/** What follows once a phone is paired: whose it is stands in the fields, and all is asked anew. */
export function usePaired(): (me: Me) => Promise<void> {
  const dispatch = useDispatch();
  const sync = useSync();
  return async ({ name }) => {
    await sync.forgetKey();
    // Whoever held it before: what is done with it is this person's from here on.
    dispatch(preferencesChanged({ name, names: [name] }));
    window.location.replace('/');
  };
}

/** The code at the end of a pairing link; the code itself is taken as well. */
export function codeIn(link: string): string {
  return link.trim().split('#').at(-1) ?? '';
}
