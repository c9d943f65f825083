import fc from 'fast-check';
import {
  bladeStack,
  judgeReading,
  readGaugeLine,
  showUnits,
  layOutBlades,
  readingFromDrag,
  readingFromTrials,
  tapBlade,
  turnsForGap,
  describeReading,
  leafWord,
  readingFromFigure,
  readingFromTyped,
  tapStepped,
  withoutWorn,
} from '..';
import type { BladeSet, ShopPolicy, Trial } from '..';

const spec = { low: 280, target: 330, high: 380 };
const judge = (go: number, noGo: number | null, policy: ShopPolicy = 'leave-inside') =>
  judgeReading(spec, { go, noGo }, policy);

describe('judging a reading', () => {
  it.each([
    [250, 280, 'tight', 'adjust'],
    [250, 286, 'tight', 'adjust'],
    [250, 287, 'unsure', 'read-again'],
    [280, 380, 'inside', 'leave'],
    [274, 386, 'inside', 'leave'],
    [300, 350, 'inside', 'leave'],
    [380, null, 'loose', 'adjust'],
    [374, null, 'loose', 'adjust'],
    [373, null, 'unsure', 'read-again'],
    [0, null, 'unsure', 'read-again'],
  ] as const)('takes %s to %s as %s and says %s', (go, noGo, verdict, action) => {
    expect(judge(go, noGo)).toMatchObject({ verdict, action });
  });

  it('names the limits to try while it is unsure', () => {
    expect(judge(250, 400).settle).toEqual([280, 380]);
    expect(judge(300, 400).settle).toEqual([380]);
    expect(judge(300, 350)).not.toHaveProperty('settle');
  });

  it('decides by the policy of the shop, and never leaves what is outside', () => {
    expect(judge(300, 350, 'reset-all').action).toBe('adjust');
    expect(judge(300, 330, 'loose-side').action).toBe('adjust');
    expect(judge(300, 350, 'loose-side').action).toBe('read-again');
    expect(judge(330, 350, 'loose-side').action).toBe('leave');
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 800 }),
        fc.integer({ min: 1, max: 100 }),
        fc.constantFrom<ShopPolicy>('leave-inside', 'loose-side', 'reset-all'),
        (go, step, policy) => {
          const { verdict, action } = judge(go, go + step, policy);
          if (verdict === 'tight' || verdict === 'loose') expect(action).toBe('adjust');
          if (action === 'leave') expect(verdict).toBe('inside');
        },
      ),
    );
  });
});

const millimetre: BladeSet = {
  name: 'mm',
  unit: 'mm',
  blades: [
    ...[2, 3, 4, 5, 6, 7, 8, 9].map((n) => n * 10),
    ...Array.from({ length: 19 }, (_, i) => 100 + 50 * i),
  ],
};

describe('blades', () => {
  it('stacks blades where none fits, by fewest and thinnest', () => {
    expect(bladeStack(millimetre.blades, 580)).toEqual({ blades: [550, 30], sum: 580, error: 0 });
    expect(bladeStack([100, 200, 300], 298)).toEqual({ blades: [300], sum: 300, error: 2 });
    expect(bladeStack([100, 200], 1000)).toEqual({ blades: [200, 100], sum: 300, error: -700 });
    expect(bladeStack([{ go: 100, noGo: 200 }], 100)).toBeUndefined();
  });

  it('finds the same stack as trying all of them', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 20, max: 400 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 20, max: 900 }),
        (blades, wanted) => {
          const stack = bladeStack(blades, wanted);
          let least = Infinity;
          for (let bits = 1; bits < 1 << blades.length; bits++) {
            const chosen = blades.filter((_, i) => bits & (1 << i));
            if (chosen.length > 4) continue;
            const error = Math.abs(chosen.reduce((a, b) => a + b, 0) - wanted);
            least = Math.min(least, error <= 5 ? 0 : error);
          }
          const error = Math.abs(stack?.error ?? NaN);
          expect(error <= 5 ? 0 : error).toBe(least);
        },
      ),
    );
  });

  it('lays out a stack for every limit no blade is near', () => {
    const laid = layOutBlades(millimetre, { low: 530, target: 580, high: 630 });
    for (const wanted of [530, 580, 630]) {
      expect(laid.some(({ size, of }) => size === wanted && of?.length === 2)).toBe(true);
    }
    const sizes = laid.map(({ size }) => size);
    expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
  });

  it('turns taps into an interval, whatever the order of the taps', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(200, 250, 300, 350, 400), { maxLength: 30 }), (taps) => {
        const tried = taps.reduce<Trial[]>((so, size) => tapBlade(so, size), []);
        const { go, noGo } = readingFromTrials(tried);
        expect(noGo === null || go < noGo).toBe(true);
      }),
    );
    const tried = tapBlade(tapBlade(tapBlade([], 300), 350), 350);
    expect(readingFromTrials(tried)).toEqual({ go: 300, noGo: 350, how: 'go-no-go' });
    expect(tapBlade(tried, 350)).toEqual([{ size: 300, enters: true }]);
  });

  it('takes drag as half the step to the neighbours', () => {
    expect(readingFromDrag([200, 250, 300], 250)).toEqual({ go: 225, noGo: 275, how: 'drag' });
    expect(readingFromDrag([200, 250], 250)).toEqual({ go: 225, noGo: 275, how: 'drag' });
  });
});

it('turns a gap into a part of a turn of the screw', () => {
  expect(turnsForGap({ pitch: 1000, ratio: 1.4, side: 'pushrod' }, 140)).toBeCloseTo(0.1);
  expect(turnsForGap({ pitch: 1000, ratio: 1.4, side: 'valve' }, 100)).toBeCloseTo(0.1);
});

describe('a figure off a gauge or a wrench', () => {
  const height = { low: 69700, target: 69800, high: 69900 };
  const judge = (figure: number, policy: 'leave-inside' | 'reset-all' | 'loose-side') =>
    judgeReading(height, readingFromFigure(figure, 'gauge'), policy, 'height');

  it.each([
    [69690, 'tight', 'adjust'],
    [69700, 'inside', 'leave'],
    [69900, 'inside', 'leave'],
    [69910, 'loose', 'adjust'],
  ])('of %i µm is %s', (figure, verdict, action) => {
    expect(judge(figure, 'leave-inside')).toMatchObject({ verdict, action });
    expect(judge(figure, 'loose-side')).toMatchObject({ verdict, action });
    expect(judge(figure, 'reset-all')).toMatchObject({ verdict, action: 'adjust' });
  });

  it('is said in its own unit and shown as the figure it was', () => {
    expect(judge(69910, 'leave-inside').why).toBe('Too high: over 69.90 mm. Bring it to 69.80 mm.');
    const preload = readingFromFigure(650, 'wrench');
    expect(
      judgeReading({ low: 700, target: 750, high: 800 }, preload, 'leave-inside', 'preload').why,
    ).toBe('Too low: under 0.70 N·m. Bring it to 0.75 N·m.');
    expect(describeReading(preload)).toBe('0.65');
    expect(describeReading(readingFromFigure(69910, 'gauge'))).toBe('69.91');
  });
});

describe('a stepped leaf', () => {
  const leaf = { go: 300, noGo: 350 };

  it('goes through thin end, both, neither and not tried, and reads between its sizes', () => {
    const thin = tapStepped([], leaf);
    expect(leafWord(thin, leaf)).toBe('thin end enters');
    expect(readingFromTrials(thin)).toMatchObject({ go: 300, noGo: 350 });
    const both = tapStepped(thin, leaf);
    expect(leafWord(both, leaf)).toBe('both enter');
    expect(readingFromTrials(both)).toMatchObject({ go: 350, noGo: null });
    const neither = tapStepped(both, leaf);
    expect(leafWord(neither, leaf)).toBe('neither enters');
    expect(readingFromTrials(neither)).toMatchObject({ go: 0, noGo: 300 });
    expect(tapStepped(neither, leaf)).toEqual([]);
  });

  it('takes the place of what contradicts it', () => {
    const thick = tapStepped(tapStepped([], { go: 400, noGo: 450 }), { go: 400, noGo: 450 });
    expect(readingFromTrials(tapStepped(thick, leaf))).toMatchObject({ go: 300, noGo: 350 });
  });

  it('leaves the set when it is worn', () => {
    const set = { name: 'a set', unit: 'mm' as const, blades: [100, 200, leaf] };
    expect(withoutWorn(set, [200, 300]).blades).toEqual([100]);
  });
});

describe('a reading as typed', () => {
  const mm = { name: 'mm set', unit: 'mm' as const, blades: [250, 300, 350, 400] };
  const inch = { name: 'inch set', unit: 'inch' as const, blades: [254, 305, 356] };

  it.each([
    ['0.30 0.35', mm, { go: 300, noGo: 350, how: 'go-no-go' }],
    ['0,30-0,35', mm, { go: 300, noGo: 350, how: 'go-no-go' }],
    ['.30+', mm, { go: 300, noGo: null, how: 'go-no-go' }],
    ['<0.30', mm, { go: 0, noGo: 300, how: 'go-no-go' }],
    ['0.30', mm, { go: 275, noGo: 325, how: 'drag' }],
    ['12 14', inch, { go: 305, noGo: 356, how: 'go-no-go' }],
  ])('%s', (text, set, reading) => {
    expect(readingFromTyped(text, { measure: 'lash', spec, set })).toEqual({ reading });
  });

  it.each([
    ['0.33 mm', inch, { go: 318, noGo: 343, how: 'drag' }],
    ['12 thou', mm, { go: 303, noGo: 328, how: 'drag' }],
    ['.012 .014 in', mm, { go: 305, noGo: 356, how: 'go-no-go' }],
    ['under 0.30', mm, { go: 0, noGo: 300, how: 'go-no-go' }],
    ['0.30 and over', mm, { go: 300, noGo: null, how: 'go-no-go' }],
  ])('takes the unit and the words that are written: %s', (text, set, reading) => {
    expect(readingFromTyped(text, { measure: 'lash', spec, set })).toEqual({ reading });
  });

  it.each([
    ['0.33', inch, ['0.33 mm']],
    ['.013', inch, ['0.013 in']],
    ['.012 .014', inch, ['0.012 0.014 in']],
    ['.012 .014', mm, ['0.012 0.014 in']],
    ['33', mm, ['0.33 mm', '33 thou']],
    ['30 35', mm, ['0.30 0.35 mm', '30 35 thou']],
    ['13', mm, ['13 thou', '0.13 mm']],
    ['15 18', mm, ['15 18 thou', '0.15 0.18 mm']],
    ['<30', mm, ['<0.30 mm', '<30 thou']],
  ])('%s in another unit is no gap, and is asked about', (text, set, meant) => {
    const of = { measure: 'lash' as const, spec, set };
    const answer = readingFromTyped(text, of);
    expect(answer).toMatchObject({ meant, says: expect.stringContaining('is no gap') });
    for (const each of meant) expect(readingFromTyped(each, of)).toHaveProperty('reading');
  });

  it('reads back whatever is printed of a reading', () => {
    const size = fc.integer({ min: 20, max: 1100 });
    const property = fc.property(size, size, fc.constantFrom(mm, inch), (a, b, set) => {
      const [go, noGo] = a < b ? [a, b] : [b, a];
      fc.pre(go < noGo);
      const of = { measure: 'lash' as const, spec, set };
      for (const reading of [
        { go, noGo, how: 'go-no-go' as const },
        { go: 0, noGo, how: 'go-no-go' as const },
        { go, noGo: null, how: 'go-no-go' as const },
      ]) {
        expect(readingFromTyped(`${describeReading(reading)} mm`, of)).toEqual({ reading });
      }
    });
    fc.assert(property);
  });

  const height = {
    measure: 'height' as const,
    spec: { low: 63_300, target: 63_500, high: 63_700 },
    set: mm,
  };
  const preload = {
    measure: 'preload' as const,
    spec: { low: 800, target: 900, high: 1000 },
    set: mm,
  };
  const gauge = { reading: { go: 63_495, noGo: 63_505, how: 'gauge' } };
  const inchGauge = { reading: { go: 63_487, noGo: 63_513, how: 'gauge' } };
  const inchWrench = { reading: { go: 898, noGo: 910, how: 'wrench' } };

  it('reads a height and a preload, each with its unit', () => {
    expect(readingFromTyped('63.50', height)).toEqual(gauge);
    expect(readingFromTyped('63,50 mm', height)).toEqual(gauge);
    // An inch gauge is read to a thou.
    expect(readingFromTyped('2.5 in', height)).toEqual(inchGauge);
    expect(readingFromTyped('2.5', height)).toMatchObject({ meant: ['2.5 in'] });
    const wrench = { reading: { go: 899, noGo: 909, how: 'wrench' } };
    expect(readingFromTyped('0.904 N·m', preload)).toEqual(wrench);
    expect(readingFromTyped('8 lb in', preload)).toEqual(inchWrench);
    expect(readingFromTyped('8', preload)).toMatchObject({ meant: ['8 lb·in'] });
    expect(readingFromTyped('0.9 mm', preload)).toHaveProperty('refused');
  });

  it('reads both in inches and pounds where a shop has those first, typed or sent by a gauge', () => {
    showUnits({ length: 'thou', torque: 'lb·ft', temperature: '°F' });
    expect(readingFromTyped('2.5', height)).toEqual(inchGauge);
    expect(readGaugeLine('+2.5', height)).toEqual(gauge);
    expect(readingFromTyped('63.5', height)).toMatchObject({ meant: ['63.50 mm'] });
    expect(readGaugeLine('+63.5', height)).toMatchObject({ refused: 'implausible' });
    expect(readingFromTyped('8', preload)).toEqual(inchWrench);
    expect(readingFromTyped('0.9', preload)).toMatchObject({ meant: ['0.9 N·m', '0.9 lb·ft'] });
    showUnits(undefined);
  });

  it.each(['', 'abc', '0.30 0.35 0.40', '0.35 0.30', '0.3 N·m', '700'])('refuses "%s"', (text) => {
    const of = { measure: 'lash' as const, spec, set: mm };
    expect(readingFromTyped(text, of)).toHaveProperty('refused');
  });
});
