import { lockShift, slipOf } from '..';

const intake = { low: 280, target: 330, high: 380 };
const exhaust = { low: 530, target: 580, high: 630 };
const reading = (go: number, noGo: number | null) => ({ go, noGo });

describe('slips', () => {
  it('says nothing of a reading near its limits, or an open one', () => {
    expect(slipOf({ spec: intake, reading: reading(300, 350) })).toBeUndefined();
    expect(slipOf({ spec: intake, reading: reading(230, 250) })).toBeUndefined();
    expect(slipOf({ spec: intake, reading: reading(900, null) })).toBeUndefined();
  });

  it.each([
    [33, 'ten-times'],
    [3300, 'ten-times'],
    [130, 'unit'],
    [838, 'unit'],
  ])('knows a typed %i µm as a slip of the pen', (typed, slip) => {
    const evidence = { spec: intake, reading: reading(typed, typed), typed: true };
    expect(slipOf(evidence)?.slip).toBe(slip);
    expect(slipOf({ ...evidence, typed: false })).toBeUndefined();
  });

  it('knows the other valve’s setting, and a swap where both are the other’s', () => {
    const other = { name: 'No. 3 exhaust', spec: exhaust };
    const evidence = { spec: intake, reading: reading(550, 600), other };
    expect(slipOf(evidence)).toMatchObject({ slip: 'other-spec' });
    expect(slipOf(evidence)?.says).toContain('No. 3 exhaust');
    const swapped = { ...other, reading: reading(300, 350) };
    expect(slipOf({ ...evidence, other: swapped })).toMatchObject({ slip: 'swap' });
    const alike = { ...other, spec: intake };
    expect(slipOf({ ...evidence, other: alike })).toBeUndefined();
  });

  it('knows a neighbouring blade by what it was left at', () => {
    const blades = [100, 150, 200, 250, 300, 350, 400];
    const evidence = { spec: intake, reading: reading(150, 200), left: reading(200, 250), blades };
    expect(slipOf(evidence)).toMatchObject({ slip: 'neighbouring-blade' });
    expect(slipOf({ ...evidence, left: reading(300, 350) })).toBeUndefined();
  });

  it('knows a reading far from what it was left at', () => {
    const left = reading(300, 350);
    expect(slipOf({ spec: intake, reading: reading(150, 200), left })).toBeUndefined();
    expect(slipOf({ spec: intake, reading: reading(150, 199), left })).toMatchObject({
      slip: 'far-from-left',
    });
  });
});

describe('lock shift', () => {
  const pair = (before: number, after: number) => ({
    before: reading(before - 25, before + 25),
    after: reading(after - 25, after + 25),
  });

  it('is the median closing of eight pairs, and unknown of seven', () => {
    const pairs = [10, 20, 20, 20, 20, 30, 30, 400].map((shift) => pair(350, 350 - shift));
    expect(lockShift(pairs)).toBe(20);
    expect(lockShift(pairs.slice(1))).toBeNull();
    expect(lockShift([...pairs.slice(1), { before: 350, after: reading(300, null) }])).toBeNull();
    expect(lockShift([...pairs.slice(1), { before: 350, after: 300 }])).toBe(25);
  });
});
