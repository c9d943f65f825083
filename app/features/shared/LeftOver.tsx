import type { BarringPlan } from '@longbar/core';
import { adjusterName } from '@longbar/core';
import { Words } from '../../ui/Words';

/** What no stop of a plan serves, why, and where it would be best. */
export function LeftOver({ leftOver }: Pick<BarringPlan, 'leftOver'>) {
  return leftOver.map(({ id, reason, at }) => (
    <Words key={id} as="note">
      · Left over: {adjusterName(id)}. {reason}
      {at === null ? '' : ` Best at ${Math.round(at)}°.`}
    </Words>
  ));
}
