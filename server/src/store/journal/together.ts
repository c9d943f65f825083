import { setImmediate as nextTurn } from 'node:timers/promises';
import type { JobEvent } from '@longbar/core';
import { databaseTrouble } from '../sql/trouble';

/** What a phone sends of one job at once: all of it is kept, or nothing. */
export type Append = {
  job: string;
  events: readonly JobEvent[];
  /** When it came. */
  at: string;
  /** The name of whose phone it came from; null where nobody knows. */
  person: string | null;
};

type Waiting = { append: Append; kept: () => void; failed: (error: unknown) => void };

/** So many entries go together at most: a phone that brings a whole day lets no tap wait for it long. */
const MOST = 200;

/**
 * Lets appends of different jobs go together: those that come while others are being kept wait, and go
 * in one transaction then, for to begin and to end one costs more than what it keeps. Each is refused
 * by itself. Of one job they go one after the other, as they came.
 */
export class Together {
  private waiting: Waiting[] = [];
  private underWay = false;

  /** `keep` keeps some of different jobs in one transaction and answers why each was refused, if it was. */
  constructor(
    private readonly keep: (appends: readonly Append[]) => Promise<readonly (Error | undefined)[]>,
  ) {}

  /** Answers once it is kept. Throws why it was refused, or what went wrong. */
  append(append: Append): Promise<void> {
    return new Promise((kept, failed) => {
      this.waiting.push({ append, kept, failed });
      if (!this.underWay) void this.goOn();
    });
  }

  private async goOn(): Promise<void> {
    this.underWay = true;
    while (this.waiting.length > 0) {
      // Whoever was answered just now, or comes at the same moment, goes along.
      await nextTurn();
      await this.go(this.next());
    }
    this.underWay = false;
  }

  /** The first of each job that waits, as many as go together. */
  private next(): Waiting[] {
    const jobs = new Set<string>();
    const going: Waiting[] = [];
    let entries = 0;
    this.waiting = this.waiting.filter((each) => {
      const { job, events } = each.append;
      const fits = going.length === 0 || entries + events.length <= MOST;
      const goes = fits && !jobs.has(job);
      // Whatever else waits of a job stays behind its first.
      jobs.add(job);
      if (!goes) return true;
      entries += events.length;
      going.push(each);
      return false;
    });
    return going;
  }

  private async go(going: readonly Waiting[]): Promise<void> {
    try {
      const refused = await this.keep(going.map(({ append }) => append));
      going.forEach(({ kept, failed }, i) => (refused[i] ? failed(refused[i]) : kept()));
    } catch (error) {
      // What one of them cannot be kept by is not the others’ to suffer: each tries by itself.
      if (going.length > 1 && databaseTrouble(error) === undefined) {
        for (const one of going) await this.go([one]);
      } else going.forEach(({ failed }) => failed(error));
    }
  }
}
