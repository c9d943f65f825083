import fc from 'fast-check';
import type { DriftHistory } from '..';
import { forecastDrift, ratesToAimBy, rateToGoBy } from '..';

const spec = { low: 280, target: 330, high: 380 };
const options = { everyHours: 600, seed: 5, draws: 200 };

/** Jobs every 500 h, left at target each time, found closer by `rate` µm per 1,000 h. */
function steady(id: string, rate: number, jobs: number): DriftHistory {
  return {
    id,
    jobs: Array.from({ length: jobs }, (_, i) => ({
      hours: 1000 + 500 * i,
      found: 330 + rate / 2,
      left: 330,
    })),
  };
}

describe('drift', () => {
  it('is what was found less what was left, over the hours between', () => {
    const { adjusters, recheckAt } = forecastDrift(
      [steady('intake.1', -40, 5)],
      { intake: spec },
      { ...options, everyHours: 5000 },
    );
    expect(adjusters[0]).toEqual({
      id: 'intake.1',
      rate: -40,
      intervals: 4,
      band: { low: -40, high: -40 },
      leaves: { p10: 1250, p50: 1250, p90: 1250 },
    });
    expect(recheckAt).toEqual({ hours: 1250, id: 'intake.1' });
  });

  it('draws an own rate towards its kind’s, the less the more intervals it has', () => {
    const histories = [
      steady('intake.1', -80, 4),
      ...[2, 3, 4].map((n) => steady(`intake.${n}`, -20, 4)),
    ];
    const { adjusters } = forecastDrift(histories, { intake: spec }, options);
    expect(adjusters[0]?.rate).toBe((-80 - 20) / 2);
    expect(adjusters[1]?.rate).toBe(-20);
  });

  it('is shown as it is aimed by, and inside the band that says when it leaves', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -150, max: 60 }), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: 2, max: 6 }),
        (rates, jobs) => {
          const histories = rates.map((rate, i) => steady(`intake.${i + 1}`, rate, jobs));
          const { adjusters } = forecastDrift(histories, { intake: spec }, options);
          const aimed = ratesToAimBy(adjusters);
          for (const { id, rate, band } of adjusters) {
            const shown = rateToGoBy({ rate, band });
            if (shown === null || !band) {
              expect(aimed[id]).toBeUndefined();
              continue;
            }
            expect(Math.abs((aimed[id]?.rate ?? NaN) - shown)).toBeLessThanOrEqual(0.051);
            expect(shown).toBeGreaterThanOrEqual(band.low);
            expect(shown).toBeLessThanOrEqual(band.high);
          }
        },
      ),
      { numRuns: 40 },
    );
    // Alone among others that barely move, it is told slower than it is.
    const odd = { rate: -35, band: { low: -74, high: -64 } };
    expect(rateToGoBy(odd)).toBe(-64);
    expect(rateToGoBy({ ...odd, band: null })).toBe(-35);
  });

  it('says nothing of fewer than three intervals of the kind', () => {
    const { adjusters, recheckAt } = forecastDrift(
      [steady('intake.1', -40, 3), steady('exhaust.1', -40, 1)],
      { intake: spec, exhaust: spec },
      options,
    );
    expect(adjusters[0]).toMatchObject({ intervals: 2, leaves: null });
    expect(adjusters[1]).toMatchObject({ rate: null, intervals: 0, leaves: null });
    expect(recheckAt).toEqual({ hours: 600, id: null });
  });

  it('starts anew where the adjuster was disturbed, and skips what has no middle', () => {
    const [first, second, third] = steady('intake.1', -40, 3).jobs;
    const jobs = [first!, { ...second!, disturbed: true }, third!];
    const of = (list: DriftHistory['jobs']) =>
      forecastDrift([{ id: 'intake.1', jobs: list }], { intake: spec }, options).adjusters[0];
    expect(of(jobs)?.intervals).toBe(1);
    expect(of([first!, { ...second!, found: { go: 300, noGo: null } }, third!])?.intervals).toBe(1);
  });

  it('has an end that is not in sight where nothing moves', () => {
    const { adjusters } = forecastDrift([steady('intake.1', 0, 6)], { intake: spec }, options);
    expect(adjusters[0]?.leaves?.p50).toBe(Infinity);
  });

  const figure = fc.integer({ min: 285, max: 375 });
  const histories = fc
    .array(
      fc.array(
        fc.record({ found: figure, left: figure, after: fc.integer({ min: 50, max: 900 }) }),
        { minLength: 2, maxLength: 7 },
      ),
      { minLength: 1, maxLength: 5 },
    )
    .map((list) =>
      list.map((jobs, i): DriftHistory => {
        let hours = 0;
        return {
          id: `intake.${i + 1}`,
          jobs: jobs.map(({ found, left, after }) => ({ hours: (hours += after), found, left })),
        };
      }),
    );
  const changed = (
    list: readonly DriftHistory[],
    change: (job: { hours: number; found: number; left: number }) => DriftHistory['jobs'][number],
  ) =>
    list.map(({ id, jobs }) => ({
      id,
      jobs: jobs.map(({ hours, found, left }) =>
        change({ hours, found: found as number, left: left as number }),
      ),
    }));

  it('is unchanged by shifting all hours, and by the unit of length', () => {
    fc.assert(
      fc.property(histories, fc.integer({ min: 1, max: 9000 }), (list, shift) => {
        const before = forecastDrift(list, { intake: spec }, options);
        const shifted = changed(list, (job) => ({ ...job, hours: job.hours + shift }));
        expect(forecastDrift(shifted, { intake: spec }, options)).toEqual(before);
        const doubled = changed(list, ({ hours, found, left }) => ({
          hours,
          found: 2 * found,
          left: 2 * left,
        }));
        const wide = { low: 560, target: 660, high: 760 };
        const after = forecastDrift(doubled, { intake: wide }, options);
        expect(after.recheckAt).toEqual(before.recheckAt);
        expect(after.adjusters.map(({ leaves }) => leaves)).toEqual(
          before.adjusters.map(({ leaves }) => leaves),
        );
      }),
    );
  });

  it('is unchanged by a job in between that found and left the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: 1, max: 499 }),
        (rate, at) => {
          const plain = steady('intake.1', rate, 5);
          const between = 330 + (rate * at) / 1000;
          const more = { hours: 1000 + at, found: between, left: between };
          const rateOf = (history: DriftHistory) =>
            forecastDrift([history], { intake: spec }, options).adjusters[0]?.rate;
          expect(rateOf({ ...plain, jobs: [...plain.jobs, more] })).toBeCloseTo(rateOf(plain)!, 6);
        },
      ),
    );
  });

  it('never looks later than the maker’s interval, and its band is in order', () => {
    fc.assert(
      fc.property(histories, (list) => {
        const { adjusters, recheckAt } = forecastDrift(list, { intake: spec }, options);
        expect(recheckAt.hours).toBeLessThanOrEqual(600);
        for (const { leaves } of adjusters) {
          if (!leaves) continue;
          expect(leaves.p10).toBeLessThanOrEqual(leaves.p50);
          expect(leaves.p50).toBeLessThanOrEqual(leaves.p90);
        }
      }),
    );
  });

  /** Intakes that close by about 40 µm in 1,000 h, read by blades, no two intervals alike. */
  const wearing = (adjusters: number, jobs = 5): DriftHistory[] =>
    Array.from({ length: adjusters }, (_, n) => ({
      id: `intake.${n + 1}`,
      jobs: Array.from({ length: jobs }, (_, i) => {
        const go = 300 + 10 * ((n + i) % 3) - 10;
        return {
          hours: 1000 + 500 * i,
          found: { go, noGo: go + 20 },
          left: { go: 320, noGo: 340 },
        };
      }),
    }));
  const lookAt = (list: DriftHistory[], risk?: number) =>
    forecastDrift(list, { intake: spec }, { everyHours: 1e9, seed: 5, draws: 400, risk }).recheckAt;

  it('asks for a look the sooner the more kinds may be out, and the less is risked', () => {
    const four = lookAt(wearing(4));
    const others = wearing(4).map((each) => ({
      ...each,
      id: each.id.replace('intake', 'exhaust'),
    }));
    const both = { intake: spec, exhaust: spec };
    const options = { everyHours: 1e9, seed: 5, draws: 400 };
    const { recheckAt } = forecastDrift([...wearing(4), ...others], both, options);
    expect(recheckAt.hours).toBeLessThan(four.hours);
    expect(lookAt(wearing(4), 0.02).hours).toBeLessThan(four.hours);
    expect(lookAt(wearing(4), 0.4).hours).toBeGreaterThan(four.hours);
    expect(four.id).toMatch(/^intake\.\d$/);
  });

  it('names the one that leaves first, and takes what it was left at inside its limits', () => {
    const list = wearing(6).map((history) =>
      history.id === 'intake.3'
        ? {
            ...history,
            jobs: history.jobs.map((job) => ({ ...job, found: { go: 240, noGo: 260 } })),
          }
        : history,
    );
    expect(lookAt(list).id).toBe('intake.3');
    const atTheLimit = wearing(6).map(({ id, jobs }) => ({
      id,
      jobs: jobs.map((job, i) => (i < 4 ? job : { ...job, left: { go: 260, noGo: 300 } })),
    }));
    expect(lookAt(atTheLimit).hours).toBeGreaterThan(0);
    expect(lookAt(atTheLimit).hours).toBeLessThan(lookAt(wearing(6)).hours);
  });

  it('takes a leap within one interval for no drift, and a fast drift for none of a leap', () => {
    const jobsOf =
      (id: string, found: (go: number, i: number) => number) => (each: DriftHistory) =>
        each.id !== id
          ? each
          : {
              id,
              jobs: each.jobs.map((job, i) => {
                const { go } = job.found as { go: number };
                return { ...job, found: { go: found(go, i), noGo: found(go, i) + 20 } };
              }),
            };
    const plain = lookAt(wearing(6)).hours;
    const leapt = wearing(6).map(jobsOf('intake.2', (go, i) => (i === 3 ? go + 200 : go)));
    expect(lookAt(leapt).hours).toBeGreaterThan(0.8 * plain);
    const fast = wearing(6).map(jobsOf('intake.2', (go) => go - 40));
    expect(lookAt(fast)).toMatchObject({ id: 'intake.2' });
    expect(lookAt(fast).hours).toBeLessThan(0.8 * plain);
  });
});
