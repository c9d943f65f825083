import type { JobAct } from '@longbar/core';

/**
 * Tells a tap that the screen it was made on does not stand for any more, for it was made before the
 * screen could follow the tap before: the same once more, of a finger that trembles or doubts, which
 * would turn the crank twice; or a blade of an adjuster that was locked or finished meanwhile, which
 * would be kept as a reading of before that.
 */
export class TapsAtOneDrawing {
  private drawn: unknown;
  private said: string | undefined;
  /** Of these something else than a reading was said at this drawing. */
  private readonly gone = new Set<string>();
  private undone = false;

  /** Whether these acts, tapped at this very drawing of the job, come too late for it. */
  isTooLate(drawn: unknown, acts: readonly JobAct[]): boolean {
    if (drawn !== this.drawn) this.begin(drawn);
    const said = JSON.stringify(acts);
    if (said === this.said || acts.some((act) => this.isOfBefore(act))) return true;
    this.said = said;
    for (const act of acts) {
      if (act.type === 'event.undone') this.undone = true;
      else if ('adjuster' in act && act.type !== 'reading.taken') this.gone.add(act.adjuster);
    }
    return false;
  }

  /** What was said was not kept: the next tap says it for the first time. */
  forget(): void {
    this.begin(undefined);
  }

  private begin(drawn: unknown): void {
    this.drawn = drawn;
    this.said = undefined;
    this.undone = false;
    this.gone.clear();
  }

  private isOfBefore(act: JobAct): boolean {
    return act.type === 'reading.taken' && (this.undone || this.gone.has(act.adjuster));
  }
}
