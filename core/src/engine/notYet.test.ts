import { inlineSix } from '../../test-support/engines';
import type { EngineSheet } from '..';
import { banksFor, commonOrders, CYLINDER_FORMS, ISOLATION_PRESETS, notYet, parseSheet } from '..';

const six = inlineSix();
const without = (...keys: (keyof EngineSheet)[]) =>
  notYet(
    Object.fromEntries(
      Object.entries(six).filter(([key]) => !keys.includes(key as keyof EngineSheet)),
    ) as EngineSheet,
  ).join('\n');

describe('what a sheet cannot do yet', () => {
  it('is said for what is missing, and for nothing else', () => {
    expect(without()).not.toContain('No marks');
    expect(without('marks')).toContain('the position is found by the rockers');
    expect(without('temperature')).toContain('taken for cold');
    const restless = { ...six, temperature: { state: 'cold' as const } };
    expect(notYet(restless).join('\n')).toContain('No time at rest');
    expect(without('isolations')).toContain('asked in general');
    expect(without('service')).toContain('when the next check is due');
    expect(without('source')).toContain('No manual is named');
    expect(without('rotation')).toContain('the job asks');
    expect(without()).not.toContain('cylinder 1');
    expect(without('layout')).toContain('At which end cylinder 1 is');
  });

  it('names the kinds without a figure, nuts without a torque and adjusters without a place', () => {
    const [intake, exhaust] = six.adjusters;
    const { spec: _, locknut: __, ...bare } = intake!;
    const injector = { kind: 'injector' as const, method: 'screw' };
    const says = notYet({ ...six, adjusters: [bare, exhaust!, injector] }).join('\n');
    expect(says).toContain('No figure for intake and injector');
    expect(says).toContain('recorded as tightened');
    expect(says).toContain('6 of the adjusters have no place to be set at yet');
  });
});

describe('what a sheet can begin with', () => {
  it('has an order of every cylinder once wherever one is common', () => {
    for (const form of CYLINDER_FORMS) {
      for (const count of form === 'in-line' ? [1, 2, 3, 4, 5, 6, 7, 8] : [6, 8, 10, 12, 14, 16]) {
        const orders = commonOrders(count, form);
        expect([form, count, orders.length > 0]).toEqual([form, count, true]);
        for (const order of orders) {
          const layout = { banks: banksFor(count, form), numberedFrom: 'front' };
          const sheet = { ...six, firing: { order }, layout, chart: undefined };
          expect(parseSheet(JSON.parse(JSON.stringify(sheet)))).toEqual({ sheet });
        }
      }
    }
  });

  it('has isolations whose ids differ within a machine', () => {
    for (const { isolations } of ISOLATION_PRESETS) {
      expect(new Set(isolations.map(({ id }) => id)).size).toBe(isolations.length);
    }
  });
});
