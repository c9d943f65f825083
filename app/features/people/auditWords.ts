import type { Audited, AuditLine } from '@longbar/core';

const DONE: Record<Audited, string> = {
  'link-printed': 'printed a link for a foreman’s phone',
  'code-shown': 'showed a code for the phone of',
  'phone-paired': 'paired a phone',
  'pairing-refused': 'tried a pairing link that does not work, from',
  'phone-let-go': 'let go a phone of',
  'person-changed': 'changed',
  'sheet-published': 'published',
  'sheet-retired': 'retired the sheet',
  'sheet-brought-back': 'brought back the sheet',
  'sheet-offered': 'changed what the company’s shops are offered:',
  'sheet-taken': 'took from the company the sheet',
  'sheets-imported': 'imported sheets:',
  'machine-deleted': 'deleted the machine',
  'machine-moved': 'moved the machine',
  'rules-changed': 'changed the shop’s rules',
  'pin-set': 'set their PIN:',
  'pin-wrong': 'typed a wrong PIN for the name',
  'key-registered': 'registered the key of their phone:',
  'record-shared': 'made a link to a record',
  'share-ended': 'took back a link to a record',
  'calendar-renewed': 'gave the calendar another address',
  'fleet-changed': 'changed where hours come from',
  'hook-changed': 'changed which programs are told',
  'archive-saved': 'saved the whole shop as an archive',
  'archive-imported': 'imported an archive',
  'demo-removed': 'removed the demo',
  'backup-restored': 'restored the backup',
  'server-rebuilt': 'put the shop back on an empty server',
};

/** One line of what was noted, as a sentence. */
export function auditWords({
  what,
  who,
  about,
}: Pick<AuditLine, 'what' | 'who' | 'about'>): string {
  const somebody = what === 'pairing-refused' ? 'Somebody' : 'Whoever was at the server’s machine';
  return `${who ?? somebody} ${DONE[what]}${about === '' ? '' : ` ${about}`}.`;
}
