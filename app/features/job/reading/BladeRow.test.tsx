import type { BladeSet, Trial } from '@longbar/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { Telling } from '../../../state/telling';
import { BladeRow } from './BladeRow';

const set: BladeSet = { name: 'mm set', unit: 'mm', blades: [50, 300, 350, 550, 600] };
const spec = { low: 530, target: 580, high: 630 };
const row = (tried: Trial[], onTap = jest.fn()) => {
  render(
    <BladeRow
      set={set}
      spec={spec}
      tried={new Telling(tried)}
      onTap={onTap}
      onTapLeaf={jest.fn()}
    />,
  );
  return onTap;
};

it('lays out the blades with what each was found to do, and says which is tapped', () => {
  const onTap = row([
    { size: 300, enters: true },
    { size: 350, enters: false },
  ]);
  expect(screen.getByRole('button', { name: '0.30 mm: enters' })).toBeTruthy();
  expect(screen.getByRole('button', { name: '0.35 mm: stops' })).toBeTruthy();
  fireEvent(screen.getByRole('button', { name: '0.60 mm: not tried' }), 'click');
  expect(onTap).toHaveBeenCalledWith(600);
});

it('shows a limit in thou for an inch set', () => {
  render(
    <BladeRow
      set={{ name: 'inch set', unit: 'inch', blades: [584] }}
      spec={spec}
      tried={new Telling([])}
      onTap={jest.fn()}
      onTapLeaf={jest.fn()}
    />,
  );
  expect(screen.getByRole('button', { name: '23 thou: not tried' })).toBeTruthy();
});

it('turns a stepped leaf through what it may do in one tap each', () => {
  const onTapLeaf = jest.fn();
  const leaf = { go: 300, noGo: 350 };
  const stepped = (tried: Trial[]) => (
    <BladeRow
      set={{ name: 'stepped set', unit: 'mm', blades: [leaf] }}
      spec={{ low: 280, target: 330, high: 380 }}
      tried={new Telling(tried)}
      onTap={jest.fn()}
      onTapLeaf={onTapLeaf}
    />
  );
  const { rerender } = render(stepped([]));
  fireEvent(screen.getByRole('button', { name: 'Leaf 0.30 and 0.35: not tried' }), 'click');
  expect(onTapLeaf).toHaveBeenCalledWith(leaf);
  rerender(
    stepped([
      { size: 300, enters: true },
      { size: 350, enters: false },
    ]),
  );
  expect(screen.getByRole('button', { name: 'Leaf 0.30 and 0.35: thin end enters' })).toBeTruthy();
});
