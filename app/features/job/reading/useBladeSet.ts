import type { BladeSet } from '@longbar/core';
import { withoutWorn } from '@longbar/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../../state/store';

/** The blade set in hand, worn blades left out: the one chosen here, else the shop's first. */
export function useBladeSet(sets: readonly BladeSet[]): BladeSet | undefined {
  const { bladeSet, worn } = useAppSelector((state) => state.preferences);
  return useMemo(() => {
    const set = sets.find(({ name }) => name === bladeSet) ?? sets[0];
    return set && withoutWorn(set, worn[set.name] ?? []);
  }, [sets, bladeSet, worn]);
}
