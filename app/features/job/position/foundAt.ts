import type { JobAct } from '@longbar/core';

/** The crank stands at this angle, settled: the plan begins there, at its first stop. */
export function foundAt(angle: number): JobAct[] {
  return [
    { type: 'position.found', angle },
    { type: 'stop.reached', stop: 0, round: false },
  ];
}
