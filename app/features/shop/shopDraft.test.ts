import { isRefused } from '@longbar/core';
import type { Shop } from '@longbar/core';
import { draftOf, shopFrom } from './shopDraft';
import { bladesTyped, bladesWritten, shimsTyped, shimsWritten } from './typedSizes';

const shop: Shop = {
  name: 'Skerrow Saltworks',
  address: 'The lagoon road',
  units: { length: 'thou', torque: 'N·m', temperature: '°C' },
  timeZone: 'Etc/GMT+1',
  policy: 'leave-inside',
  round: 'first',
  bladeSets: [
    { name: 'mm set', unit: 'mm', blades: [50, 100, 305] },
    { name: 'stepped', unit: 'mm', blades: [{ go: 300, noGo: 350 }], forked: true },
    { name: 'inch set', unit: 'inch', blades: [254, 305] },
  ],
  shims: { stock: [{ size: 2400, count: 2 }], buy: { from: 2200, to: 3200, step: 50 } },
  soon: { hours: 60, days: 30 },
  driftRisk: 5,
  aim: 'offered',
};

describe('the shop’s rules in fields', () => {
  it('come back as they were', () => {
    expect(shopFrom(draftOf(shop))).toEqual({ shop });
  });

  it('say what is wrong, and make nothing then', () => {
    const draft = draftOf(shop);
    const wrong = (change: Partial<typeof draft>) => {
      const made = shopFrom({ ...draft, ...change });
      return isRefused(made) ? made.says : 'made';
    };
    expect(wrong({ name: '  ' })).toBe('The shop has a name.');
    expect(wrong({ soonHours: 'few' })).toContain('number of hours');
    expect(wrong({ driftRisk: '0' })).toContain('from 1 to 50');
    expect(wrong({ stock: '2.40x2 thick' })).toBe('“thick” is no shim: write 2.40x2.');
    expect(wrong({ buyStep: '' })).toContain('which shims can be bought');
    expect(wrong({ bladeSets: [{ name: 'x', unit: 'mm', forked: false, blades: '' }] })).toBe(
      'x: A blade set has at least one blade.',
    );
  });

  it('needs no shims where the shop keeps none', () => {
    const { shims: _, ...rest } = shop;
    const made = shopFrom({ ...draftOf(rest), buyFrom: '', buyTo: '', buyStep: '' });
    expect(made).toEqual({ shop: rest });
  });
});

describe('sizes as they are typed', () => {
  it('are blades in the set’s own unit', () => {
    expect(bladesTyped('0.05 0.10;0.305', 'mm')).toEqual({ value: [50, 100, 305] });
    expect(bladesTyped('10 12', 'inch')).toEqual({ value: [254, 305] });
    expect(bladesTyped('0.30/0.35', 'mm')).toEqual({
      value: [{ go: 300, noGo: 350 }],
    });
  });

  it('are refused by the word that is none', () => {
    for (const word of ['0,3x', '-1', '0.35/0.30', '0.30/', 'thin']) {
      expect(bladesTyped(`0.10 ${word}`, 'mm')).toHaveProperty('refused', 'unreadable');
    }
  });

  it('are written as they are typed', () => {
    const blades = [50, { go: 300, noGo: 350 }];
    const written = bladesWritten({ blades, unit: 'mm' });
    expect(written).toBe('0.05 0.30/0.35');
    expect(bladesTyped(written, 'mm')).toEqual({ value: blades });
    const stock = [
      { size: 2400, count: 2 },
      { size: 2550, count: 1 },
    ];
    expect(shimsTyped(shimsWritten(stock))).toEqual({ value: stock });
  });
});
