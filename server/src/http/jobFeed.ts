import { EventEmitter } from 'node:events';
import type { Beat } from '@longbar/core';
import { BeatSchema } from '@longbar/core';
import * as v from 'valibot';
import type { Others } from '../store/sql/others';
import { BelievedBeats } from './beats';

const CHANGED = 'changed';
const BEAT = 'beat';
const BeatOfJobSchema = v.tuple([v.string(), BeatSchema, v.string()]);

/**
 * Who looks at which job right now, here and in other processes. It carries no events of the journal,
 * only that there are new ones: those are read from the database, so that nothing is passed on that
 * is not kept.
 */
export class JobFeed {
  private readonly emitter = new EventEmitter().setMaxListeners(0);
  private readonly believed = new BelievedBeats();
  /** How many follow a job right now. */
  following = 0;

  constructor(private readonly others: Others) {
    // Whoever may have missed something reads on from the last they have.
    const all = () => {
      for (const name of this.emitter.eventNames()) {
        if (String(name).startsWith(CHANGED)) this.emitter.emit(name);
      }
    };
    others.hear(CHANGED, v.string(), (job) => this.emitter.emit(`${CHANGED} ${job}`), all);
    // A beat that was missed is followed by another.
    const none = () => undefined;
    others.hear(BEAT, BeatOfJobSchema, (said) => this.pass(...said), none);
  }

  /** Something new is kept of this job. */
  changed(job: string): void {
    this.emitter.emit(`${CHANGED} ${job}`);
    this.others.tell(CHANGED, job);
  }

  /**
   * Passes a beat from a phone on to all who look at the job, if it is believed; it is kept nowhere.
   * Every process hears it, and so none believes another phone that makes one up.
   */
  beat(job: string, beat: Beat, phone: string): void {
    if (this.pass(job, beat, phone)) this.others.tell(BEAT, [job, beat, phone]);
  }

  private pass(job: string, beat: Beat, phone: string): boolean {
    const isBelieved = this.believed.isBelieved(job, beat, phone, Date.now());
    if (isBelieved) this.emitter.emit(`${BEAT} ${job}`, beat);
    return isBelieved;
  }

  /** Hears of one job until the answer is called. */
  listen(job: string, changed: () => void, beat: (beat: Beat) => void): () => void {
    this.following += 1;
    this.emitter.on(`${CHANGED} ${job}`, changed);
    this.emitter.on(`${BEAT} ${job}`, beat);
    return () => {
      this.following -= 1;
      this.emitter.off(`${CHANGED} ${job}`, changed);
      this.emitter.off(`${BEAT} ${job}`, beat);
    };
  }
}
