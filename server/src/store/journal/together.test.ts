import fc from 'fast-check';
import type { JobEvent } from '@longbar/core';
import type { Append } from './together';
import { Together } from './together';

const AT = '2026-06-01T08:00:00.000Z';
/** An append of so many entries; `number` tells it from others of its job. */
function appendOf(job: string, number: number, entries = 1): Append {
  const event = (i: number): JobEvent => ({
    type: 'bar.out',
    id: `${job} ${number} ${i}`,
    job,
    n: number,
    at: AT,
    by: 'Ina',
  });
  return { job, events: Array.from({ length: entries }, (_, i) => event(i)), at: AT, person: null };
}
/** What each is told that goes by itself. */
const SAID = { kept: 'kept', refused: 'Refused.', poison: 'Poison.', away: 'Cut.' };
const away = Object.assign(new Error('Cut.'), { code: 'ECONNRESET' });

describe('appends that go together', () => {
  it('are those that come while others are kept: of one job one at a time, as they came', async () => {
    const together: string[][] = [];
    const line = new Together(async (appends) => {
      together.push(appends.map(({ job, events }) => `${job}${events[0]?.n}`));
      return appends.map(() => undefined);
    });
    const first = line.append(appendOf('a', 1));
    await new Promise((resolve) => setImmediate(resolve));
    const rest = [
      ...[appendOf('a', 2), appendOf('b', 1, 150), appendOf('b', 2), appendOf('c', 1, 100)],
      ...[appendOf('d', 1, 50), appendOf('e', 1, 900)],
    ];
    await Promise.all([first, ...rest.map((append) => line.append(append))]);
    expect(together).toEqual([['a1'], ['a2', 'b1'], ['b2', 'c1', 'd1'], ['e1']]);
  });

  it('are each kept once, in the order of their job, or told why not, whatever goes wrong', async () => {
    const anySent = fc.record({
      job: fc.constantFrom('a', 'b', 'c', 'd'),
      fate: fc.constantFrom<keyof typeof SAID>('kept', 'kept', 'kept', 'refused', 'poison', 'away'),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(anySent, { maxLength: 30 }), async (sent) => {
        const kept: Append[] = [];
        const fateOf = new Map<Append, string>();
        const line = new Together(async (appends) => {
          await Promise.resolve();
          expect(new Set(appends.map(({ job }) => job)).size).toBe(appends.length);
          const fates = appends.map((append) => fateOf.get(append));
          // A statement that fails takes all of its transaction along.
          if (fates.includes('poison')) throw new Error('Poison.');
          if (fates.includes('away')) throw away;
          kept.push(...appends.filter((_, i) => fates[i] === 'kept'));
          return fates.map((fate) => (fate === 'refused' ? new Error('Refused.') : undefined));
        });
        const told = await Promise.all(
          sent.map(async ({ job, fate }, number) => {
            const append = appendOf(job, number);
            fateOf.set(append, fate);
            const said = line.append(append).then(
              () => 'kept',
              (error: Error) => error.message,
            );
            return { fate, append, said: await said };
          }),
        );
        const keptAs = told.filter(({ said }) => said === 'kept').map(({ append }) => append);
        expect(new Set(kept)).toEqual(new Set(keptAs));
        expect(kept).toHaveLength(keptAs.length);
        for (const job of ['a', 'b', 'c', 'd']) {
          const numbers = kept.filter((each) => each.job === job).map(({ events }) => events[0]!.n);
          expect(numbers).toEqual(numbers.toSorted((a, b) => a - b));
        }
        // Who goes beside one that cannot be kept is kept; beside a database that is away nobody is.
        for (const { fate, said } of told) expect([SAID[fate], 'Cut.']).toContain(said);
        if (!sent.some(({ fate }) => fate === 'away')) {
          expect(keptAs).toHaveLength(sent.filter(({ fate }) => fate === 'kept').length);
        }
      }),
    );
  });
});
