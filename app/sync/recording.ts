import { Telling } from '../state/telling';

/** Tells whether something that was tapped is on its way to the phone's disk. */
export class Recording extends Telling<boolean> {
  private count = 0;

  constructor() {
    super(false);
  }

  /** It is under way until this is done, well or badly. */
  until<Result>(work: Promise<Result>): Promise<Result> {
    this.add(1);
    return work.finally(() => this.add(-1));
  }

  private add(by: 1 | -1): void {
    this.count += by;
    this.change(this.count > 0);
  }
}
