import { nearestInRow } from './nearestInRow';

const laid = [50, 100, 300, 350, 400].map((size) => ({ size }));
const leaves = [
  { go: 250, noGo: 300 },
  { go: 300, noGo: 350 },
];

it('finds the blade that meets a size, else the one that comes nearest', () => {
  expect(nearestInRow(laid, [], 300)).toBe(2);
  expect(nearestInRow(laid, [], 330)).toBe(3);
  expect(nearestInRow([], leaves, 330)).toBe(1);
  expect(nearestInRow([], leaves, 500)).toBe(1);
  expect(nearestInRow(laid, leaves, 275)).toBe(5);
  expect(nearestInRow([], [], 275)).toBe(-1);
});
