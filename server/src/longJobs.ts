import { ignore } from '@longbar/core';
import type { ChildProcess } from 'node:child_process';
import type { JobRead, Summarise } from './jobRead/summary';
import { summarise } from './jobRead/summary';

/** What the process of its own tells of a job. */
export type ToldOfJob = { read: JobRead } | { failed: string };

/** A job of so many entries is a long one; a shorter is read before a process could be asked. */
const LONG = 500;
/** So long may it take, ms: many times what the longest that is taken needs. */
const MOST = 20_000;

/**
 * Reads long jobs outside the process that answers, one after the other, each within a limit of
 * time: one that no end is seen of is given up, and its process with it.
 */
export class LongJobs {
  #process: ChildProcess | undefined;
  #last: Promise<unknown> = Promise.resolve();

  /** `begin` begins a process that reads jobs, `longJob.ts`; `most` is its limit in ms. */
  constructor(
    private readonly begin: () => ChildProcess,
    private readonly most = MOST,
  ) {}

  /** What is read of a job, wherever that is. Throws where it fails or takes too long. */
  readonly summarise = async (...job: Parameters<Summarise>): Promise<JobRead> => {
    const [, , , events] = job;
    if (events.length < LONG) return summarise(...job);
    const mine = this.#last.then(() => this.#ask(JSON.stringify(job)));
    this.#last = mine.catch(ignore('who asked for it is told'));
    return mine;
  };

  close(): void {
    this.#process?.kill('SIGKILL');
    this.#process = undefined;
  }

  async #ask(job: string): Promise<JobRead> {
    // One that ended while nobody asked it is begun anew.
    if (!this.#process?.connected) this.#process = this.begin();
    const told = await this.#answerOf(this.#process, job);
    if ('read' in told) return told.read;
    throw new Error(told.failed);
  }

  #answerOf(asked: ChildProcess, job: string): Promise<ToldOfJob> {
    return new Promise((resolve, reject) => {
      const end = (how: () => void) => {
        clearTimeout(limit);
        asked.removeAllListeners();
        how();
      };
      const giveUp = (why: string) => {
        this.close();
        end(() => reject(new Error(why)));
      };
      const limit = setTimeout(
        () => giveUp(`It takes longer than ${this.most / 1000} s to work out.`),
        this.most,
      );
      asked.once('message', (text) => end(() => resolve(JSON.parse(String(text)))));
      asked.once('error', (error) => giveUp(error.message));
      asked.once('exit', () => giveUp('Its process ended.'));
      asked.send(job);
    });
  }
}
