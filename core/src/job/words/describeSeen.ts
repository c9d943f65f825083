import type { Observation } from '../../crank/observation';
import { adjusterName } from '../../engine/adjusterEntry';

/** An observation of the crank for people, as it was made: "mark II at the pointer". */
export function describeSeen(seen: Observation): string {
  if ('mark' in seen) return `mark ${seen.mark} at the pointer`;
  if ('cylinder' in seen) {
    return seen.state === 'top' ? `No. ${seen.cylinder} at its top` : `No. ${seen.cylinder} rocks`;
  }
  if (seen.state === 'peak') return `${adjusterName(seen.id)} has stopped going down`;
  return `${adjusterName(seen.id)} ${seen.state === 'down' ? 'fully down' : seen.state}`;
}

/** The rockers that do not fit where the crank is, each named with what may be wrong. */
export function describeOdd(odd: readonly string[]): string[] {
  return odd.map((id) => `${adjusterName(id)} is the odd one: tight, slack or misread.`);
}
