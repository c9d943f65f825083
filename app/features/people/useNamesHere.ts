import type { NameHere } from '@longbar/core';
import { isAtLeast } from '@longbar/core';
import { useMeQuery, useNamesQuery } from '../../state/api';

const NOBODY: NameHere[] = [];

/** The names that may be tapped on this phone; nobody alone is asked for any. */
export function useNamesHere(): NameHere[] {
  const { data: me } = useMeQuery();
  const skip = !me || me.alone || !isAtLeast(me.role, 'technician');
  const { data = NOBODY } = useNamesQuery(undefined, { skip });
  return data;
}
