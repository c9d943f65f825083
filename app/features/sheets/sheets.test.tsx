import type { EngineSheet } from '@longbar/core';
import { isRefused, planBarring } from '@longbar/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { engineCells } from './engineCells';
import { PlanComparison } from './PlanComparison';
import { PlanStops } from './PlanStops';
import { SheetFacts } from './SheetFacts';

const sheet = {
  format: 'longbar.sheet/1',
  name: 'Four',
  cycle: 4,
  firing: { order: [1, 3, 4, 2] },
  adjusters: [
    { kind: 'intake' },
    { kind: 'exhaust' },
    { kind: 'brake', setAt: { peak: 'intake' } },
  ],
} as EngineSheet;

it('lights what may be set at an angle, and shades what is on its lobe', () => {
  const cells = engineCells(sheet, 0);
  expect(cells['intake.1']).toMatchObject({ here: true, onLobe: false });
  expect(cells['intake.4']).toMatchObject({ here: false, onLobe: true });
  expect(cells['intake.4']?.says).toBe('on its lobe, margin -15°');
  expect(engineCells(sheet, 460)['brake.1']?.here).toBe(true);
});

it('shows the stops, turns the engine to one, and says what is left over', () => {
  const plan = planBarring(sheet, { method: 'two-position' });
  if (isRefused(plan)) throw new Error(plan.says);
  const onTurn = jest.fn();
  render(<PlanStops plan={plan} onTurn={onTurn} />);
  fireEvent.press(screen.getByRole('button', { name: /stop 2/ }));
  expect(onTurn).toHaveBeenCalledWith(360);
  expect(screen.getByText('Set intake 1 2, exhaust 1 3.')).toBeTruthy();
  expect(screen.getByText(/Left over: No. 1 brake.*Best at 460°/)).toBeTruthy();
});

it('sets the methods side by side, a refusal with its reason', () => {
  const answers = (['each', 'manual'] as const).map((method) => ({
    method,
    answer: planBarring(sheet, { method }),
  }));
  render(<PlanComparison answers={answers} chosen="each" />);
  expect(screen.getByText('540°')).toBeTruthy();
  expect(screen.getByText('The sheet holds no chart from the manual.')).toBeTruthy();
});

it('tells the figures of each data tag beside its own, when it is checked, and its cautions', () => {
  const own = { low: 400, target: 450, high: 500 };
  const tagged: EngineSheet = {
    ...sheet,
    adjusters: [{ kind: 'intake' }, { kind: 'exhaust', spec: own }],
    variants: [
      { tag: 'D6', adjusters: [{ kind: 'exhaust', spec: { low: 500, target: 550, high: 600 } }] },
      { tag: 'D7' },
    ],
    service: { everyHours: 1000, everyMonths: 1 },
    cautions: ['Stored voltage at the plugs.'],
  };
  render(<SheetFacts sheet={tagged} />);
  expect(screen.getByText(/^exhaust: lash 0\.45 mm \(0\.40 to 0\.50\)/)).toBeTruthy();
  expect(
    screen.getByText(/^With data tag D6: exhaust lash 0\.55 mm \(0\.50 to 0\.60\)/),
  ).toBeTruthy();
  expect(screen.getByText('With data tag D7: the same figures')).toBeTruthy();
  expect(screen.getByText('Checked every 1,000 h, every month.')).toBeTruthy();
  expect(screen.getByText('Stored voltage at the plugs.')).toBeTruthy();
});
