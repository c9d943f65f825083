import { engine, inlineSix } from '../../test-support/engines';
import { headSeen, seatingOf, turnsSeenFrom } from '..';

describe('as one sees it', () => {
  it('turns the other way from the other end, and the flywheel is at the rear', () => {
    const front = { sense: 'clockwise' as const, seenFrom: 'front' };
    const rear = { sense: 'counterclockwise' as const, seenFrom: 'rear' };
    expect(turnsSeenFrom(front, null)).toBe(front);
    expect(turnsSeenFrom(front, 'front')).toBe(front);
    expect(turnsSeenFrom(front, 'rear')).toEqual(rear);
    expect(turnsSeenFrom(turnsSeenFrom(front, 'rear'), 'front')).toEqual(front);
    const flywheel = { sense: 'clockwise' as const, seenFrom: 'flywheel' };
    expect(turnsSeenFrom(flywheel, 'rear')).toBe(flywheel);
    expect(turnsSeenFrom(flywheel, 'front').sense).toBe('counterclockwise');
  });

  it('turns the head about to the far side, every adjuster in its place', () => {
    const layout = {
      banks: [
        { name: 'A', cylinders: [1, 3], valves: ['EI', 'EI'] },
        { name: 'B', cylinders: [2, 4], valves: ['IE', 'IE'] },
      ],
    };
    const sheet = engine([1, 3, 4, 2], { layout });
    const along = seatingOf(sheet);
    const far = headSeen(sheet, along, 'far');
    const order = (banks: typeof along) =>
      banks.flatMap(({ cylinders }) => cylinders.flatMap(({ adjusters }) => adjusters));
    expect(far.ends).toEqual(['rear', 'front']);
    expect(far.banks.map(({ name }) => name)).toEqual(['B', 'A']);
    expect(order(far.banks)).toEqual(order(along).reverse());
    expect(headSeen(sheet, far.banks, 'far').banks).toEqual(along);
  });

  it('stands the cylinders in firing order', () => {
    const sheet = inlineSix();
    const { banks, ends } = headSeen(sheet, seatingOf(sheet), 'firing');
    expect(ends).toBeUndefined();
    expect(banks.flatMap(({ cylinders }) => cylinders.map(({ cylinder }) => cylinder))).toEqual(
      sheet.firing.order,
    );
  });
});
