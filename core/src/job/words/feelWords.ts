import { adjusterName } from '../../engine/adjusterEntry';
import { readId } from '../../engine/kinds';
import type { Feel } from '../../crank/rockersToFeel';

/**
 * What rockers must do, for people: "No. 1 both loose, No. 6 both firm."
 *
 * @example describeFeel({ loose: ['intake.1', 'exhaust.1'], firm: ['intake.6'] })
 *   // 'No. 1 both loose, No. 6 intake firm.'
 */
export function describeFeel({ loose, firm }: Feel): string {
  const words = [...groups(loose, 'loose'), ...groups(firm, 'firm')];
  return words.length > 0 ? `${words.join(', ')}.` : 'no rocker tells this place.';
}

function groups(ids: readonly string[], state: string): string[] {
  const byCylinder = new Map<number, string[]>();
  for (const id of ids) {
    const { cylinder } = readId(id);
    byCylinder.set(cylinder, [...(byCylinder.get(cylinder) ?? []), id]);
  }
  return [...byCylinder].map(([cylinder, own]) =>
    own.length > 1 ? `No. ${cylinder} both ${state}` : `${adjusterName(own[0] ?? '')} ${state}`,
  );
}
