import { engine, inlineSix } from '../../test-support/engines';
import { headLetters } from './headLetters';

describe('a head in the fewest letters', () => {
  it('tells banks, cylinders and kinds in their places, each kind once', () => {
    expect(headLetters(inlineSix())).toHaveLength(1);
    expect(headLetters(inlineSix())[0]?.split(' ')).toHaveLength(6);
    const vee = engine([1, 4, 2, 3], {
      layout: {
        banks: [
          { name: 'A', cylinders: [1, 2], valves: ['EI', 'IE'] },
          { name: 'B', cylinders: [3, 4], valves: ['EJI', 'EEI'] },
        ],
      },
      adjusters: [{ kind: 'intake' }, { kind: 'exhaust', perCylinder: 2 }, { kind: 'injector' }],
    });
    expect(headLetters(vee)).toEqual(['EIJ IEJ', 'EJI EIJ']);
  });
});
