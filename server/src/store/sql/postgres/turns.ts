/**
 * So many of each at a time, the others in the order in which they came. Who waits for the lock of a
 * busy shop waits here, and not with a connection that another shop could write by.
 */
export class Turns {
  private readonly running = new Map<number, number>();
  private readonly waiting = new Map<number, (() => void)[]>();

  constructor(private readonly most: number) {}

  /** Waits for a turn of one of these; `end` gives it to the next. */
  async begin(which: number): Promise<void> {
    const running = this.running.get(which) ?? 0;
    if (running < this.most) {
      this.running.set(which, running + 1);
      return;
    }
    const line = this.waiting.get(which) ?? [];
    this.waiting.set(which, line);
    // Whoever ends passes the turn on: it is counted as running all along.
    await new Promise<void>((resolve) => line.push(resolve));
  }

  end(which: number): void {
    const next = this.waiting.get(which)?.shift();
    if (next) return next();
    const running = (this.running.get(which) ?? 1) - 1;
    if (running > 0) this.running.set(which, running);
    else this.running.delete(which);
  }
}
