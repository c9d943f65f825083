import { inlineSix } from '../../test-support/engines';
import { quickSheet } from '../bench/quickSheet';
import { lift } from '../engine/lobes';
import { lobeOutline, sectionAt } from '../picture/section';
import { isLessonDone, LESSON_STEPS } from './lesson';

const six = quickSheet([1, 5, 3, 6, 2, 4], 'in-line');
const round = Array.from({ length: 720 }, (_, at) => at);

describe('the lesson', () => {
  it('has seven steps, none done before anything is turned, each done by turning round', () => {
    expect(LESSON_STEPS).toHaveLength(7);
    for (const [step, { title }] of LESSON_STEPS.entries()) {
      for (const start of [0, 90, 360, 500]) {
        expect([title, isLessonDone(step, six, [start])]).toEqual([title, false]);
      }
      const done = round.findIndex((at) => isLessonDone(step, six, round.slice(0, at + 1)));
      expect([title, done > 0]).toEqual([title, true]);
    }
  });

  it('is done where it says: the exhaust open, No. 1 rocking, the mate rocking', () => {
    expect(isLessonDone(3, six, [0, 252])).toBe(true);
    expect(isLessonDone(4, six, [0, 360])).toBe(true);
    expect(isLessonDone(5, six, [180, 0])).toBe(true);
    expect(isLessonDone(6, six, [0, 180])).toBe(false);
    expect(isLessonDone(6, six, [0, 180, 360])).toBe(true);
  });
});

describe('the section', () => {
  it('has the piston at its top every turn, at its bottom half way, and in the stroke it is in', () => {
    for (const top of [0, 360, 720]) expect(sectionAt(six, top).piston).toBeCloseTo(0, 9);
    for (const bottom of [180, 540]) expect(sectionAt(six, bottom).piston).toBeCloseTo(1, 9);
    for (const at of round) {
      const { piston, cam, intake, exhaust } = sectionAt(six, at);
      expect(piston >= -1e-9 && piston <= 1 + 1e-9).toBe(true);
      expect(cam).toBe(at / 2);
      expect([intake, exhaust]).toEqual([lift(six, 'intake', at), lift(six, 'exhaust', at)]);
    }
    expect([90, 200, 400, 600].map((at) => sectionAt(six, at).stroke)).toEqual([
      'power',
      'exhaust',
      'intake',
      'compression',
    ]);
  });

  it('turns a cam so that what faces the follower is as high as the valve is open', () => {
    const sheet = inlineSix();
    for (const kind of ['intake', 'exhaust'] as const) {
      const outline = lobeOutline(sheet, kind, 0.5);
      for (let at = 0; at < 720; at += 8) {
        // Turned with the crank by half its angle, this point faces up.
        const turned = (at / 2 / 360) * 90;
        const { x, y } = outline[Math.round(turned) % 90]!;
        expect(Math.hypot(x, y)).toBeCloseTo(1 + 0.5 * lift(sheet, kind, at), 6);
      }
    }
  });
});
