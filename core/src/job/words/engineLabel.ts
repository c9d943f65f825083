import { formatInBoth, measureOf } from '../../gauging/measure';
import { formatDay, formatHours } from '../../units';
import { hoursOf } from '../journal/hoursOf';
import type { JobSetting } from '../journal/setting';
import { leftOutKinds } from '../journal/scope';
import type { JobState } from '../journal/state';
import { leftOutside, unsetOf } from '../instruction/gates';
import { nextCheckWords } from './nextCheck';
import { isWhole, scopeWords } from './scopeWords';

/** What the label on an engine says of a signed job, line by line. */
export type EngineLabelWords = {
  head: string;
  lines: string[];
};

/**
 * The label that stays on the engine: day and hours, what the sheet asks for, what is left open,
 * when the next check is due and who signed. Undefined until the job is signed.
 */
export function engineLabelWords(
  setting: Pick<JobSetting, 'sheet' | 'hoursRight'>,
  state: JobState,
): EngineLabelWords | undefined {
  const { sheet } = setting;
  const { signed, scope } = state;
  const hours = hoursOf(setting, state);
  if (!signed) return undefined;
  const leftOut = leftOutKinds(sheet, scope);
  const figures = sheet.adjusters.flatMap((entry) => {
    const { kind, spec } = entry;
    if (!spec || leftOut.includes(kind)) return [];
    const measure = measureOf(entry);
    return [`${kind} ${formatInBoth(measure, spec.target)}`];
  });
  const open = unsetOf(state).length + leftOutside(sheet, state).length;
  const warm = sheet.temperature?.state === 'hot' ? 'hot' : 'cold';
  const next = nextCheckWords({ service: sheet.service, hours, at: signed.at, leftOut });
  return {
    head: [formatDay(signed.at), hours && `${formatHours(hours.hours)} h`]
      .filter(Boolean)
      .join(' · '),
    lines: [
      `${scope?.checkOnly ? 'Checked by' : 'Set by'} the sheet, ${warm}: ${figures.join(', ')}`,
      ...(isWhole(scope) ? [] : [scopeWords(scope)]),
      signed.incomplete ? `Incomplete: ${open} left open, still due` : `Next check: ${next}`,
      `${signed.name} · the maker’s manual stands above this label`,
    ],
  };
}
