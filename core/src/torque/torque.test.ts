import fc from 'fast-check';
import { adapterSetting, convertTorque, spiralOrder, TORQUE_UNITS, torqueSteps } from '..';

const positive = fc.double({ min: 1, max: 1000, noNaN: true });

describe('a torque adapter', () => {
  it('lowers the setting straight on, changes nothing at a right angle, raises it beyond', () => {
    const sum = { torque: 46, wrench: 400, adapter: 60, angle: 0 };
    expect(adapterSetting(sum)).toEqual({ setting: 40 });
    expect(adapterSetting({ ...sum, angle: 90 })).toEqual({ setting: 46 });
    expect(adapterSetting({ ...sum, angle: 180 })).toEqual({ setting: (46 * 400) / 340 });
    expect(adapterSetting({ ...sum, wrench: 60, angle: 180 })).toHaveProperty(
      'refused',
      'no-reach',
    );
    expect(adapterSetting({ ...sum, wrench: 0 })).toHaveProperty('refused', 'no-reach');
  });

  it('is turned the same way to either side, and scales with the torque', () => {
    fc.assert(
      fc.property(positive, positive, positive, fc.integer({ min: 0, max: 89 }), (T, L, E, a) => {
        const of = (torque: number, angle: number) => {
          const answer = adapterSetting({ torque, wrench: L, adapter: E, angle });
          return 'setting' in answer ? answer.setting : NaN;
        };
        expect(of(T, -a)).toBe(of(T, a));
        expect(of(2 * T, a)).toBeCloseTo(2 * of(T, a), 6);
        expect(of(T, a)).toBeLessThanOrEqual(T);
      }),
    );
  });
});

describe('units of torque', () => {
  it('come back the same, and know a foot from an inch', () => {
    expect(convertTorque(100, 'N·m', 'lb·ft')).toBeCloseTo(73.756, 3);
    expect(convertTorque(1, 'lb·ft', 'lb·in')).toBeCloseTo(12, 9);
    const unit = fc.constantFrom(...TORQUE_UNITS);
    fc.assert(
      fc.property(positive, unit, unit, (value, a, b) => {
        expect(convertTorque(convertTorque(value, a, b), b, a)).toBeCloseTo(value, 8);
      }),
    );
  });
});

describe('a sequence', () => {
  const row = [0, 1, 2, 3, 4].map((x) => ({ x, y: 0 }));

  it('goes round all fasteners of a stage before the next', () => {
    const steps = torqueSteps({
      id: 'head',
      name: 'Head bolts',
      when: 'first',
      torque: 200,
      fasteners: row.slice(0, 2),
      stages: [{ percent: 50 }, { torque: 180 }, { angle: 90 }],
    });
    expect(steps).toEqual([
      { stage: 0, fastener: 0, torque: 100 },
      { stage: 0, fastener: 1, torque: 100 },
      { stage: 1, fastener: 0, torque: 180 },
      { stage: 1, fastener: 1, torque: 180 },
      { stage: 2, fastener: 0, angle: 90 },
      { stage: 2, fastener: 1, angle: 90 },
    ]);
  });

  it('can be made from the middle outwards', () => {
    const order = spiralOrder(row);
    expect(order[0]).toBe(2);
    expect(order.slice(1, 3).sort()).toEqual([1, 3]);
    expect(spiralOrder([])).toEqual([]);
    const grid = [0, 1, 2].flatMap((x) => [0, 1].map((y) => ({ x, y })));
    expect([...spiralOrder(grid)].sort()).toEqual([0, 1, 2, 3, 4, 5]);
    expect(spiralOrder(grid).slice(0, 2).sort()).toEqual([2, 3]);
  });
});
