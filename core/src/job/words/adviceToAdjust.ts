import type { AdjusterEntry } from '../../engine/sheet';
import type { SettingSpec } from '../../gauging/toSet';
import { toSet } from '../../gauging/toSet';
import { formatSetting, measureOf } from '../../gauging/measure';
import type { Reading } from '../../gauging/reading';
import { middleOf } from '../../gauging/reading';
import { partOfTurn, turnsForGap } from '../../gauging/screw';

/**
 * Which way and about how far an adjuster is to be moved, by what it is: a gap is opened by
 * backing its screw off, a height is raised or lowered, a preload is taken up or let off. Turns
 * are told where the sheet holds the screw's pitch, and never of a preload: it is no length.
 *
 * @example adviceToAdjust({ screw: { pitch: 1000, ratio: 1.25, side: 'pushrod' } }, { low: 280, target: 330, high: 380 }, { go: 180, noGo: 230 })
 *   // 'Back off about 1/8 turn. Locking usually closes the gap a little.'
 */
export function adviceToAdjust(
  entry: Pick<AdjusterEntry, 'method' | 'measure' | 'screw'>,
  spec: SettingSpec,
  reading: Pick<Reading, 'go' | 'noGo'> | undefined,
): string {
  const middle = reading && middleOf(reading);
  const change = middle === undefined ? 0 : toSet(spec) - middle;
  const move = change === 0 ? '' : MOVE[measureOf(entry)](entry, change);
  return [move, settleWords(entry)].filter(Boolean).join(' ');
}

type Move = (entry: Pick<AdjusterEntry, 'screw'>, change: number) => string;

const MOVE: Record<ReturnType<typeof measureOf>, Move> = {
  lash: ({ screw }, change) => {
    const turns = screw && partOfTurn(turnsForGap(screw, change));
    return turns ? `${change > 0 ? 'Back off' : 'Turn in'} about ${turns} turn.` : '';
  },
  height: ({ screw }, change) => {
    const far = formatSetting('height', Math.abs(change));
    // The height follows its own screw, whatever the rocker's ratio is.
    const turns = screw && partOfTurn(change / screw.pitch);
    const about = turns ? `, about ${turns} turn` : '';
    return `${change > 0 ? 'Raise' : 'Lower'} it by ${far}${about}.`;
  },
  preload: (_, change) =>
    `${change > 0 ? 'Take up' : 'Let off'} ${formatSetting('preload', Math.abs(change))}.`,
};

function settleWords(entry: Pick<AdjusterEntry, 'method' | 'measure'>): string {
  if (entry.method === 'eccentric') {
    return 'Loosen the clamp, turn the eccentric by its pin, clamp, read again.';
  }
  return SETTLE[measureOf(entry)];
}

const SETTLE: Record<ReturnType<typeof measureOf>, string> = {
  lash: 'Locking usually closes the gap a little.',
  height: 'Locking may move it: measure again after it.',
  preload: 'Pull slowly to the value, then lock.',
};
