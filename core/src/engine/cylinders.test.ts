import { inlineSix } from '../../test-support/engines';
import { banksFor, commonOrders, compareSheets, CYLINDER_FORMS, formOf, parseSheet } from '..';

const counts = Array.from({ length: 24 }, (_, i) => i + 1);

describe('how cylinders stand', () => {
  it.each(CYLINDER_FORMS)('%s: every cylinder once, and known again', (form) => {
    for (const count of counts) {
      const banks = banksFor(count, form);
      const all = banks.flatMap(({ cylinders }) => cylinders).sort((a, b) => a - b);
      expect(all).toEqual(counts.slice(0, count));
      const known = formOf(inlineSix({ layout: { banks } }), count);
      expect(banksFor(count, known!)).toEqual(banks);
    }
  });

  it.each(CYLINDER_FORMS)('%s: a common order is a sheet that is accepted', (form) => {
    for (const count of counts) {
      for (const order of commonOrders(count, form)) {
        const layout = { banks: banksFor(count, form) };
        expect(parseSheet(inlineSix({ firing: { order }, layout, marks: [] }))).toHaveProperty(
          'sheet',
        );
      }
    }
  });

  it('knows a row numbered from the rear, and a layout of its own', () => {
    const rear = { banks: [{ cylinders: [6, 5, 4, 3, 2, 1] }] };
    expect(formOf(inlineSix({ layout: rear }))).toBe('in-line');
    const own = { banks: [{ cylinders: [1, 2, 5] }, { cylinders: [3, 4, 6] }] };
    expect(formOf(inlineSix({ layout: own }))).toBeUndefined();
  });
});

describe('what changed between two revisions', () => {
  it('is nothing of the same sheet', () => {
    expect(compareSheets(inlineSix(), inlineSix())).toEqual([]);
  });

  it('names the figure as people read it, matched by kind and name, not by place', () => {
    const before = inlineSix();
    const [intake, exhaust] = before.adjusters;
    const after = inlineSix({
      adjusters: [exhaust!, { ...intake!, spec: { low: 280, target: 340, high: 380 } }],
      marks: [{ name: 'II', at: 125 }, ...before.marks!.filter(({ name }) => name !== 'II')],
    });
    expect(compareSheets(before, after)).toEqual([
      {
        what: 'adjusters, intake, spec, target',
        before: '0.33 mm, 13 thou',
        after: '0.34 mm, 13.4 thou',
      },
      { what: 'marks, II, at', before: '120°', after: '125°' },
    ]);
  });

  it('gives each figure its unit, by what is measured there', () => {
    const injector = (target: number, torque: number) =>
      inlineSix({
        adjusters: [
          {
            ...{ kind: 'injector', measure: 'height', locknut: { torque } },
            spec: { low: 69_700, target, high: 69_900 },
          },
        ],
      });
    expect(compareSheets(injector(69_800, 46), injector(69_850, 50))).toEqual([
      {
        what: 'adjusters, injector, locknut, torque',
        ...{ before: '46 N·m (33.9 lb·ft)', after: '50 N·m (36.9 lb·ft)' },
      },
      {
        what: 'adjusters, injector, spec, target',
        ...{ before: '69.80 mm, 2.748 in', after: '69.85 mm, 2.750 in' },
      },
    ]);
  });

  it('shows what was added and what was taken out', () => {
    const { service, ...rest } = inlineSix();
    expect(service).toBeDefined();
    const gone = compareSheets(inlineSix(), rest as ReturnType<typeof inlineSix>);
    expect(gone).toContainEqual({
      what: 'service, every so many hours',
      before: '600',
      after: '',
    });
    expect(compareSheets(rest as ReturnType<typeof inlineSix>, inlineSix())).toHaveLength(3);
  });
});
