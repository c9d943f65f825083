/** Tells whether something that was tapped is on its way to the phone's disk. */
export class Recording {
  private count = 0;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly isUnderWay = (): boolean => this.count > 0;

  /** It is under way until this is done, well or badly. */
  until<Result>(work: Promise<Result>): Promise<Result> {
    this.change(1);
    return work.finally(() => this.change(-1));
  }

  private change(by: 1 | -1): void {
    this.count += by;
    for (const listener of this.listeners) listener();
  }
}
