import type { BladeSet, Trial } from '@longbar/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { BladeRow } from './BladeRow';

const set: BladeSet = { name: 'mm set', unit: 'mm', blades: [50, 300, 350, 550, 600] };
const spec = { low: 530, target: 580, high: 630 };
const row = (tried: Trial[], onTap = jest.fn()) => {
  render(<BladeRow set={set} spec={spec} tried={tried} onTap={onTap} />);
  return onTap;
};

it('lays out the blades with what each was found to do, and says which is tapped', () => {
  const onTap = row([
    { size: 300, enters: true },
    { size: 350, enters: false },
  ]);
  expect(screen.getByRole('button', { name: '0.30 mm: enters' })).toBeTruthy();
  expect(screen.getByRole('button', { name: '0.35 mm: stops' })).toBeTruthy();
  fireEvent.press(screen.getByRole('button', { name: '0.60 mm: not tried' }));
  expect(onTap).toHaveBeenCalledWith(600);
});

it('shows a limit in thou for an inch set', () => {
  render(
    <BladeRow
      set={{ name: 'inch set', unit: 'inch', blades: [584] }}
      spec={spec}
      tried={[]}
      onTap={jest.fn()}
    />,
  );
  expect(screen.getByRole('button', { name: '23 thou: not tried' })).toBeTruthy();
});
