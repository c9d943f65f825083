import type { Me } from '@longbar/core';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';

/** What follows once a phone is paired: whose it is stands in the fields, and all is asked anew. */
export function usePaired(): (me: Me) => void {
  const dispatch = useDispatch();
  const known = useAppSelector(({ preferences }) => preferences.name);
  return ({ name }) => {
    if (known === '') dispatch(preferencesChanged({ name }));
    window.location.replace('/');
  };
}

/** The code at the end of a pairing link; the code itself is taken as well. */
export function codeIn(link: string): string {
  return link.trim().split('#').at(-1) ?? '';
}
