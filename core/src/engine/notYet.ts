import { planBarring } from '../barring/plan';
import { assumedLobes } from './lobes';
import type { EngineSheet } from './sheet';
import { isRefused } from '../result';

/**
 * What a sheet cannot do yet, each in a sentence that says what is done instead: it can be
 * published all the same. The sheet is one that `parseSheet` has taken.
 *
 * @example notYet({ ...six, marks: [] })[0]
 *   // 'No marks: the position is found by the rockers.'
 */
export function notYet(sheet: EngineSheet): string[] {
  const says = (when: boolean, words: string) => (when ? [words] : []);
  const { marks, adjusters, isolations, service, source, temperature, rotation } = sheet;
  const { layout, firing } = sheet;
  const locked = adjusters.filter(({ method }) => method !== 'shim' && method !== 'preload');
  const figureless = adjusters.filter(({ spec }) => !spec).map(({ kind }) => kind);
  const plan = planBarring(sheet, { method: 'fewest' });
  const unplaced = isRefused(plan) ? [] : plan.leftOver;
  const assumed = assumedLobes(sheet);
  const list = (words: readonly string[]) => new Intl.ListFormat('en').format(words);
  return [
    ...says(!marks?.length, 'No marks: the position is found by the rockers.'),
    ...says(
      locked.some(({ locknut }) => locknut?.torque === undefined),
      'Not every locknut has a torque: those without are tightened by feel, and recorded as tightened.',
    ),
    ...says(
      figureless.length > 0,
      `No figure for ${list(figureless)}: it can be barred to, but not judged.`,
    ),
    ...says(
      unplaced.length > 0,
      `${unplaced.length} of the adjusters have no place to be set at yet: where they are set comes from the manual.`,
    ),
    ...says(
      assumed.length > 0,
      `Typical lobes stand in for ${list(assumed)}: give the maker’s where you have them.`,
    ),
    ...says(!temperature, 'Cold or hot is not said: it is taken for cold, with no rest before.'),
    ...says(
      temperature?.state === 'cold' && !temperature.soakMinutes,
      'No time at rest: the job asks since when it stands, and only you can tell that it is cold.',
    ),
    ...says(!rotation, 'Which way it turns is not said: the job asks.'),
    ...says(
      !layout?.numberedFrom && firing.order.length > 1,
      'At which end cylinder 1 is, is not said: it is drawn at the front.',
    ),
    ...says(
      !isolations?.length,
      'No isolations of its own: what makes it unable to start is asked in general.',
    ),
    ...says(
      !service?.everyHours && !service?.everyMonths,
      'No interval: it is not told when the next check is due.',
    ),
    ...says(!source?.title, 'No manual is named: nobody can look the figures up.'),
  ];
}
