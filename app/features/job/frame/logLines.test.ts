import type { KnownEvent } from '@longbar/core';
import { showBy } from '@longbar/core';
import { logLines } from './logLines';

afterEach(() => showBy(() => ({})));

it('the log names each day but today, by the clock on the wall', () => {
  showBy(() => ({ timeZone: 'Etc/GMT-11' }));
  const at = ['2026-05-01T22:40:00.000Z', '2026-05-02T05:00:00.000Z', '2026-05-02T13:10:00.000Z'];
  const events = at.map((instant, i): KnownEvent => {
    const place = { id: `id ${i}`, job: 'job', n: i + 1, by: 'Ina', at: instant };
    return { ...place, type: 'bar.out' };
  });
  const told = (today: string, most = 5) =>
    logLines(events, today, most).map(({ event, day }) => [event.n, day]);
  expect(told('2026-05-03')).toEqual([
    [3, undefined],
    [2, '2026-05-02'],
    [1, undefined],
  ]);
  expect(told('2026-05-04', 2)).toEqual([
    [3, '2026-05-03'],
    [2, '2026-05-02'],
  ]);
});
