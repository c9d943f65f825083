import type { BladeSet } from '@longbar/core';
import { unitsShown, withoutWorn } from '@longbar/core';
import { useMemo } from 'react';
import { useAppSelector } from '../../../state/store';

/** The blade set in hand, worn blades left out: the one chosen here, else one in the shop’s unit. */
export function useBladeSet(sets: readonly BladeSet[]): BladeSet | undefined {
  const { bladeSet, worn } = useAppSelector((state) => state.preferences);
  return useMemo(() => {
    const unit = unitsShown().length === 'thou' ? 'inch' : 'mm';
    const usual = sets.find((each) => each.unit === unit) ?? sets[0];
    const set = sets.find(({ name }) => name === bladeSet) ?? usual;
    return set && withoutWorn(set, worn[set.name] ?? []);
  }, [sets, bladeSet, worn]);
}
