import { adjusterName } from '../../engine/adjusterEntry';
import { formatHours } from '../../units';
import type { KnownEvent } from '../journal/events';
import { EXEMPTIBLE } from '../journal/events';
import { isPlaced } from '../journal/placed';
import type { Exemptible, JobState } from '../journal/state';
import { whyUnset } from '../words/describe';

/** What a job did otherwise than its gates ask, with the reason that was given. */
export type Deviation = { what: string; reason: string; by: string };

const EXEMPTED: Record<Exemptible, string> = {
  temperature: 'The temperature was not as the sheet asks',
  hours: 'The hours were not read',
  ready: 'Tools and parts were not all laid out',
  leak: 'It leaks, and was left so',
  run: 'It was to be run although somebody had said that it must not be',
};

/**
 * What stands in the record as a deviation: every gate that was exempted, a tag that is none of
 * the sheet's or was first read as another, an engine that was opened again, doubtful hours, and
 * what was given up and taken up again, and what was set where a person said that it may be.
 */
export function deviationsOf(state: JobState): Deviation[] {
  const list: Deviation[] = [];
  for (const gate of EXEMPTIBLE) {
    const exempted = state.exempted[gate];
    if (exempted) list.push({ what: EXEMPTED[gate], reason: exempted.reason, by: exempted.by });
  }
  if (state.tagReason !== undefined) {
    const by = lastBy(state, 'tag.read');
    list.push({ what: 'The data tag is none of the sheet’s', reason: state.tagReason, by });
  }
  for (const { tag, by } of earlierTags(state)) {
    const what = `The data tag was read as ${tag === '' ? 'none the sheet knows' : tag} before`;
    list.push({ what, reason: 'it was read once more', by });
  }
  if (state.openedAgain) {
    const what = 'The engine was opened again after closing up had begun';
    list.push({ what, reason: 'more was to be set', by: state.openedAgain.by });
  }
  if (state.hours?.sure || state.hours?.replaced) {
    const reason = state.hours.replaced ? 'the meter was replaced or reset' : 'read once more';
    const what = `${formatHours(state.hours.hours)} h looked doubtful`;
    list.push({ what, reason, by: lastBy(state, 'hours.read') });
  }
  for (const [id, { givenUp = [] }] of Object.entries(state.adjusters)) {
    const what = `${adjusterName(id)} was given up, and taken up again`;
    list.push(...givenUp.map((unset) => ({ what, reason: whyUnset(unset), by: unset.by })));
  }
  for (const [id, { placed, locked, painted, unset }] of Object.entries(state.adjusters)) {
    const isSet = locked !== undefined || painted || (isPlaced(state, id) && !unset);
    if (!placed || !isSet) continue;
    const where =
      placed.stop === undefined
        ? 'where a person placed it'
        : 'by the manual’s chart, off its condition';
    const what = `${adjusterName(id)} was set ${where}`;
    list.push({ what, reason: placed.reason, by: placed.by });
  }
  return list;
}

/** The data tags that another took the place of, each once, by who read it last. */
function earlierTags({ standing, tag }: JobState): { tag: string; by: string }[] {
  const by = new Map<string, string>();
  for (const event of standing) if (event.type === 'tag.read') by.set(event.tag, event.by);
  return [...by].flatMap(([read, who]) => (read === tag ? [] : [{ tag: read, by: who }]));
}

function lastBy({ standing }: JobState, type: KnownEvent['type']): string {
  return standing.findLast((event) => event.type === type)?.by ?? '';
}
