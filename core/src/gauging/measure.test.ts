import fc from 'fast-check';
import {
  formatFigure,
  formatInOther,
  formatSetting,
  lastPlaceOf,
  measureOf,
  unitOf,
} from './measure';
import { plainBlades, showUnits, steppedBlades, withoutWorn } from '..';
import { formatMillimetres, formatThou, fromThou } from '../units';

const MEASURES = ['lash', 'height', 'preload'] as const;

describe('what is measured at an adjuster', () => {
  it('is a gap, unless the sheet says otherwise or it is set by preload', () => {
    expect(measureOf({})).toBe('lash');
    expect(measureOf({ method: 'screw' })).toBe('lash');
    expect(measureOf({ method: 'preload' })).toBe('preload');
    expect(measureOf({ method: 'screw', measure: 'height' })).toBe('height');
  });

  it('is shown in its own unit', () => {
    expect(formatSetting('lash', 580)).toBe('0.58 mm');
    expect(formatSetting('height', 78_820)).toBe('78.82 mm');
    expect(formatSetting('preload', 14_500)).toBe('14.50 N·m');
    expect(formatFigure('preload', 800)).toBe('0.80');
    expect(unitOf('height')).toBe('mm');
  });

  it('is shown in inches and pounds beside it', () => {
    expect(formatInOther('lash', 584)).toBe('23 thou');
    expect(formatInOther('height', 25_400)).toBe('1.000 in');
    expect(formatInOther('preload', 904)).toBe('8.0 lb·in');
  });

  it('goes up and down by its last place, whatever its unit', () => {
    const inches = { length: 'thou', torque: 'lb·ft', temperature: '°F' } as const;
    const places = () =>
      MEASURES.map((measure) => `${formatSetting(measure, lastPlaceOf(measure))}`);
    expect(places()).toEqual(['0.01 mm', '0.01 mm', '0.01 N·m']);
    showUnits(inches);
    expect(places()).toEqual(['1 thou', '0.001 in', '0.1 lb·in']);
    showUnits(undefined);
  });
});

describe('lengths as they are read', () => {
  it('are whole thou where a blade is as near, and tenths where none is', () => {
    expect(formatThou(580)).toBe('23');
    expect(formatThou(254)).toBe('10');
    expect(formatThou(267)).toBe('10.5');
  });

  it('come back from thou to the µm they were', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), (thou) => {
        expect(formatThou(fromThou(thou))).toBe(String(thou));
        expect(Number(formatMillimetres(fromThou(thou)).replace(/,/g, ''))).toBeCloseTo(
          thou * 0.0254,
          3,
        );
      }),
    );
  });
});

describe('a blade set', () => {
  const set = {
    name: 'mixed',
    unit: 'mm' as const,
    blades: [300, { go: 400, noGo: 450 }, 100, { go: 200, noGo: 250 }],
  };

  it('is told apart into plain blades and stepped ones, the thinner first', () => {
    expect(plainBlades(set)).toEqual([100, 300]);
    expect(steppedBlades(set)).toEqual([
      { go: 200, noGo: 250 },
      { go: 400, noGo: 450 },
    ]);
  });

  it('goes without those that are worn', () => {
    const left = withoutWorn(set, [300, 200]);
    expect(plainBlades(left)).toEqual([100]);
    expect(steppedBlades(left)).toEqual([{ go: 400, noGo: 450 }]);
    expect(set.blades).toHaveLength(4);
  });
});
