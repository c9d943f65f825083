import fc from 'fast-check';
import type { HoursReading } from '..';
import { engineHours, inMeterOrder, meterOf } from '..';

const day = (n: number) => new Date(Date.UTC(2026, 0, 1 + n)).toISOString().slice(0, 10);

/** An engine over some days: how long it ran, and whether its meter was changed that day, and for which. */
const lives = fc
  .array(
    fc.record({
      ran: fc.integer({ min: 1, max: 20 }),
      fitted: fc.option(fc.integer({ min: 0, max: 9000 })),
      /** Whether the old meter was read before it came off, the same day. */
      readBefore: fc.boolean(),
    }),
    { minLength: 2, maxLength: 12 },
  )
  .map((days) => {
    const taken: { reading: HoursReading; ran: number }[] = [];
    let [shown, ran] = [0, 0];
    days.forEach((each, i) => {
      shown += each.ran;
      ran += each.ran;
      const isNew = each.fitted !== null && i > 0;
      // A figure that either meter might show that day tells nothing.
      const tells = each.fitted === null || shown < each.fitted || shown > each.fitted + 24;
      if (!isNew || (each.readBefore && tells)) {
        taken.push({ reading: { date: day(i), hours: shown }, ran });
      }
      if (!isNew) return;
      if (!(each.readBefore && tells)) ran = taken.at(-1)?.ran ?? 0;
      shown = each.fitted ?? 0;
      taken.push({ reading: { date: day(i), hours: shown, replaced: true }, ran });
    });
    return taken;
  });

describe('the meters of a machine', () => {
  it('give the hours the engine has run, whichever meter showed what, on the same day too', () => {
    fc.assert(
      fc.property(lives, (taken) => {
        const readings = taken.map(({ reading }) => reading);
        const meter = meterOf([], readings);
        for (const { reading, ran } of taken) expect(engineHours(reading, meter)).toBe(ran);
      }),
    );
  });

  it('keep readings in the order in which they were taken, whatever order they come in', () => {
    fc.assert(
      fc.property(lives, fc.infiniteStream(fc.nat()), (taken, chance) => {
        const readings = taken.map(({ reading }) => reading);
        const shuffled = readings
          .map((reading) => ({ reading, key: chance.next().value as number }))
          .sort((a, b) => a.key - b.key)
          .map(({ reading }) => reading);
        expect(inMeterOrder(shuffled, meterOf([], shuffled))).toEqual(readings);
      }),
    );
  });

  it('follow a reading that is put right or taken back', () => {
    const [before, first] = [
      { date: day(0), hours: 100 },
      { date: day(1), hours: 10, replaced: true },
    ];
    expect(meterOf([], [before, first])).toEqual([{ date: day(1), offset: 90, first: 10 }]);
    const right = { ...before, hours: 120 };
    expect(meterOf([], [right, first])).toEqual([{ date: day(1), offset: 110, first: 10 }]);
    expect(meterOf([], [before])).toEqual([]);
    // Nobody knows what was run before it.
    expect(meterOf([], [first])).toEqual([]);
  });

  it('count on from a meter that was stated with the machine', () => {
    const stated = [{ date: day(0), offset: 3200 }];
    const readings = [
      { date: day(1), hours: 50 },
      { date: day(2), hours: 4, replaced: true },
    ];
    expect(meterOf(stated, readings)).toEqual([
      ...stated,
      { date: day(2), offset: 3246, first: 4 },
    ]);
  });
});
