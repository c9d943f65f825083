import type { BladeSet } from '@longbar/core';
import { NEW_SHOP } from '@longbar/core';
import { useDispatch } from 'react-redux';
import { useShopQuery } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { Select } from '../../ui/Select';
import { useBladeSet } from '../job/reading/useBladeSet';

/** The blade set in hand, and those of the shop it is one of. */
export type Hand = { set: BladeSet; sets: readonly BladeSet[] };

const USUAL = NEW_SHOP.bladeSets;

/** The set in hand as in a job: of the shop’s, or of the common ones until the shop is known. */
export function useSetInHand(): Hand {
  const { data } = useShopQuery();
  const sets = data?.bladeSets.length ? data.bladeSets : USUAL;
  const set = useBladeSet(sets);
  return { set: set ?? { name: '', unit: 'mm', blades: [] }, sets };
}

/** Which set is in hand; the next job begins with it too. */
export function SetInHand({ hand: { set, sets } }: { hand: Hand }) {
  const dispatch = useDispatch();
  return (
    <Select
      label="Blades in hand"
      value={set.name}
      options={sets.map(({ name }) => name)}
      onChange={(bladeSet) => dispatch(preferencesChanged({ bladeSet }))}
    />
  );
}
