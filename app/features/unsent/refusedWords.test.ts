import type { JobContext } from '@longbar/core';
import { refusedWords } from './refusedWords';

const since = '2026-05-02T08:00:00.000Z';
const context = { head: { id: 'j' }, machineName: 'Brine pump 2' } as JobContext;
const known = {
  jobs: { j: { context, events: [] } },
  machines: [{ id: 'm', name: 'Pan loader' }],
};

it('says of which machine it is what the server refused, where the phone knows it', () => {
  const event = {
    type: 'tag.read',
    tag: 'B',
    id: 'e',
    job: 'j',
    n: 4,
    at: since,
    by: 'Ina',
  } as const;
  const hours = { kind: 'hours', reading: { date: '2026-05-02', hours: 1234 }, since } as const;
  expect(refusedWords({ kind: 'event', event, since }, known)).toBe('Data tag B, on Brine pump 2');
  expect(refusedWords({ kind: 'proof', job: 'j', since }, known)).toBe(
    'The signature on Brine pump 2',
  );
  expect(refusedWords({ ...hours, machine: 'm' }, known)).toBe(
    'A reading of 1,234 h of Pan loader',
  );
  expect(refusedWords({ ...hours, machine: 'n' }, known)).toBe('A reading of 1,234 h of a machine');
});
