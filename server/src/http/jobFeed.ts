import { EventEmitter } from 'node:events';
import type { Beat } from '@longbar/core';

/**
 * Who looks at which job right now. It carries no events of the journal, only that there are
 * new ones: those are read from the database, so that nothing is passed on that is not kept.
 */
export class JobFeed {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  /** How many follow a job right now. */
  following = 0;

  /** Something new is kept of this job. */
  changed(job: string): void {
    this.emitter.emit(`changed ${job}`);
  }

  /** Passes a beat on to all who look at the job; it is kept nowhere. */
  beat(job: string, beat: Beat): void {
    this.emitter.emit(`beat ${job}`, beat);
  }

  /** Hears of one job until the answer is called. */
  listen(job: string, changed: () => void, beat: (beat: Beat) => void): () => void {
    this.following += 1;
    this.emitter.on(`changed ${job}`, changed);
    this.emitter.on(`beat ${job}`, beat);
    return () => {
      this.following -= 1;
      this.emitter.off(`changed ${job}`, changed);
      this.emitter.off(`beat ${job}`, beat);
    };
  }
}
