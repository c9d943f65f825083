import { AUDITED } from '@longbar/core';
import { auditWords } from './auditWords';

it('what was noted reads as a sentence, whoever did it', () => {
  expect(auditWords({ what: 'sheet-published', who: 'Ina', about: 'Avocet, revision 2' })).toBe(
    'Ina published Avocet, revision 2.',
  );
  expect(auditWords({ what: 'link-printed', who: null, about: '' })).toBe(
    'Whoever was at the server’s machine printed a link for a foreman’s phone.',
  );
  expect(auditWords({ what: 'pairing-refused', who: null, about: '10.0.0.7' })).toBe(
    'Somebody tried a pairing link that does not work, from 10.0.0.7.',
  );
  for (const what of AUDITED) {
    expect(auditWords({ what, who: 'Ina', about: 'it' })).toMatch(/^Ina [a-z].* it\.$/);
  }
});
