import { holdsAt } from '../barring/assembly';
import { adjustersOf } from '../engine/adjusters';
import { firingOf, runningMate, standing } from '../engine/firing';
import { lift } from '../engine/lobes';
import type { EngineSheet } from '../engine/sheet';
import { sectionAt, STROKES } from '../picture/section';

/** One step of the lesson: what is so, and one thing to do with one's own hand. */
export type LessonStep = {
  title: string;
  says: string;
  /** What to do. */
  task: string;
  /** What was to be seen by it. */
  seen: string;
};

/** The cylinder that is cut through. */
const CUT = 1;

type Lesson = LessonStep & {
  /** Whether it is done, by the crank angles since the step began, the last one the present. */
  done: (sheet: EngineSheet, visited: readonly number[]) => boolean;
};

/** Both valves of the cylinder that is cut through are shut, well away from their lobes. */
function isShut(sheet: EngineSheet, at: number): boolean {
  return adjustersOf(sheet)
    .filter(({ cylinder }) => cylinder === CUT)
    .every((adjuster) => holdsAt(adjuster, at, 720));
}

function isRocking(sheet: EngineSheet, cylinder: number, at: number): boolean {
  const r = standing(firingOf(sheet), cylinder, at);
  return lift(sheet, 'intake', r) > 0 && lift(sheet, 'exhaust', r) > 0;
}

const last = (visited: readonly number[]) => visited.at(-1) ?? 0;

/** The present angle is so, and it was not when the step began. */
const comes = (is: (sheet: EngineSheet, at: number) => boolean): Lesson['done'] => {
  return (sheet, visited) => is(sheet, last(visited)) && visited.some((at) => !is(sheet, at));
};

const LESSON: readonly Lesson[] = [
  {
    title: 'Four strokes are two turns',
    says: 'The piston goes down and up twice before it fires again: power, exhaust, intake, compression. That takes two turns of the crank, 720°.',
    task: 'Turn the engine through all four strokes.',
    seen: 'Twice the piston was at its top: once to fire, once between exhaust and intake.',
    done: (sheet, visited) =>
      STROKES.every((stroke) => visited.some((at) => sectionAt(sheet, at).stroke === stroke)),
  },
  {
    title: 'The cam turns at half the speed',
    says: 'Each valve opens once in those two turns. So the cam turns once while the crank turns twice.',
    task: 'Turn the crank through one whole turn, and watch the cam.',
    seen: 'The piston is where it was, and the cam has gone half way round: a mark at its pointer does not tell which of the two it is.',
    done: (_, visited) => new Set(visited.map((at) => Math.floor(at / 10) % 36)).size >= 36,
  },
  {
    title: 'The base circle',
    says: 'Most of a cam is round. While that rides under the follower the valve is shut, and between rocker and valve there is the gap.',
    task: 'Turn until both valves are shut and both gaps are there.',
    seen: 'Only here can a gap be read or set: a blade between them measures what will be there hot.',
    done: comes(isShut),
  },
  {
    title: 'On the lobe there is no gap',
    says: 'The lobe takes up the gap first, and then opens the valve. A rocker on its lobe is firm: whatever is set there is wrong.',
    task: 'Turn until the exhaust valve is wide open.',
    seen: 'Its rocker pushes, and its gap is gone. The other valve still has its own.',
    done: comes((sheet, at) => sectionAt(sheet, at).exhaust > 0.97),
  },
  {
    title: 'Overlap: both rock',
    says: 'Between exhaust and intake both valves are a little open: one closes while the other opens. To and fro over that place both rockers rock.',
    task: 'Turn until No. 1 rocks: both valves a little open.',
    seen: 'The piston is at its top here too, but nothing may be set on this cylinder.',
    done: comes((sheet, at) => isRocking(sheet, CUT, at)),
  },
  {
    title: 'Why the mate rocks',
    says: 'Another cylinder goes up and down with No. 1, one turn apart. While it is between exhaust and intake, No. 1 is between compression and power.',
    task: 'Turn until the mate rocks, and look at No. 1.',
    seen: 'Both valves of No. 1 are shut: when the mate rocks, No. 1 can be set.',
    done: comes((sheet, at) => {
      const mate = runningMate(firingOf(sheet), CUT);
      return mate !== undefined && isRocking(sheet, mate, at);
    }),
  },
  {
    title: 'So half of the valves can be set here',
    says: 'Every cylinder stands somewhere else on its own two turns. Some are on base circle with both valves, some with one. Those that are lit may be set where the crank stands.',
    task: 'Stop with No. 1 at its firing top, and one turn on: let every rocker be lit once.',
    seen: 'Two stops, and every valve had its turn. That is all the chart says.',
    done: (sheet, visited) =>
      adjustersOf(sheet).every((adjuster) =>
        [0, 360].some(
          (stop) =>
            holdsAt(adjuster, stop, 720) &&
            visited.some((at) => Math.abs(at - stop) <= 5 || Math.abs(at - stop) >= 715),
        ),
      ),
  },
];

/** The steps of the lesson, in their order. */
export const LESSON_STEPS: readonly LessonStep[] = LESSON;

/**
 * Whether a step of the lesson is done; `visited` are the crank angles since it began, the present
 * one last.
 *
 * @example isLessonDone(2, six, [0]) // false
 */
export function isLessonDone(
  step: number,
  sheet: EngineSheet,
  visited: readonly number[],
): boolean {
  return LESSON[step]?.done(sheet, visited) ?? false;
}
