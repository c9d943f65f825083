import { itemAt, seatingOf } from '@longbar/core';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { inlineSix } from '../../../../core/test-support/engines';
import { FoldedBank } from '../../../drawing/FoldedBank';
import type { MapCell } from '../../../drawing/mapCell';
import { foldedBank } from './foldedBank';

const layout = { banks: [{ cylinders: [1, 2, 3] }, { cylinders: [4, 5, 6] }] };
const bank = itemAt(seatingOf(inlineSix({ layout })), 1);
const here: MapCell = { here: true, onLobe: false, progress: 'none', selected: false, says: '' };
const painted: MapCell = { ...here, progress: 'painted' };

const shown = (cells: Record<string, MapCell>) => {
  const onSelect = jest.fn();
  render(<FoldedBank name={bank.name} {...foldedBank(bank, cells)} onSelect={onSelect} />);
  return onSelect;
};

it('says how far the bank is at this stop, and leads to what is still to do there', () => {
  const onSelect = shown({ 'intake.4': painted, 'exhaust.5': here, 'intake.6': here });
  fireEvent.press(screen.getByRole('button', { name: 'Bank B: 1 of 3 finished here' }));
  expect(onSelect).toHaveBeenCalledWith('exhaust.5');
});

it('leads to its first rocker where all are finished, to be looked at', () => {
  const onSelect = shown({ 'intake.4': painted, 'exhaust.5': painted });
  fireEvent.press(screen.getByRole('button', { name: 'Bank B: all finished here' }));
  expect(onSelect).toHaveBeenCalledWith('intake.4');
});

it('is no button where nothing of it is set at this stop', () => {
  shown({});
  expect(screen.getByText('Bank B: nothing to set here')).toBeTruthy();
  expect(screen.queryByRole('button')).toBeNull();
});
