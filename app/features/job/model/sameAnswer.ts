import type { JobAct } from '@longbar/core';

/**
 * Tells a tap that says the same once more before the screen could answer the first: a finger that
 * trembles, or one that doubts. Counted twice, one turn of the crank would be two.
 */
export class SameAnswer {
  private last: { drawn: unknown; said: string } | undefined;

  /** Whether the tap before, at this very drawing of the job, said the same. */
  isAgain(drawn: unknown, acts: readonly JobAct[]): boolean {
    const said = JSON.stringify(acts);
    const { last } = this;
    if (last && last.drawn === drawn && last.said === said) return true;
    this.last = { drawn, said };
    return false;
  }

  /** What was said was not kept: the next tap says it for the first time. */
  forget(): void {
    this.last = undefined;
  }
}
