import type { ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { setTimeout } from 'node:timers/promises';
import type { Logger } from 'pino';
import * as v from 'valibot';
import { inOwnProcess } from '../ownProcess';
import type { Environment } from '../settings';
import { StartError } from '../settings';
import { freePort } from './freePort';

/** What a process tells once it serves, or cannot. */
const ToldSchema = v.union([
  v.object({ demoLoaded: v.boolean(), firstLink: v.optional(v.string()) }),
  v.object({ why: v.string() }),
]);
type Begun = Exclude<v.InferOutput<typeof ToldSchema>, { why: string }>;

/** A process that died is begun again after so long, ms. */
const AGAIN = 1000;
/** One that does not end by itself is ended after so long, ms. */
const PATIENCE = 10_000;

/** So many ports are tried. */
const TRIES = 5;

type One = { port: number; child: ChildProcess | undefined; serves: boolean };

/** Several processes that serve the same, each on a port of its own; one that dies is begun again. */
export class Several {
  private readonly all: One[] = [];
  private turn = 0;
  private ending = false;

  constructor(
    private readonly args: string[],
    private readonly env: Environment,
    private readonly logger: Logger,
  ) {}

  /** Begins one more. Throws StartError with what it said where it cannot. */
  async begin(): Promise<Begun> {
    for (let tries = 1; ; tries++) {
      const one: One = { port: await freePort(), child: undefined, serves: false };
      try {
        const begun = await this.start(one);
        this.all.push(one);
        return begun;
      } catch (error) {
        // Somebody else may have taken the port meanwhile.
        const taken = error instanceof StartError && error.message.includes('is in use');
        if (!taken || tries === TRIES) throw error;
      }
    }
  }

  /** The port of one that serves, each in its turn; undefined while none does. */
  next(): number | undefined {
    const serving = this.all.filter(({ serves }) => serves);
    return serving[this.turn++ % serving.length]?.port;
  }

  /** Asks all of them to end, one that is just being begun too, and waits until they have. */
  async end(): Promise<void> {
    this.ending = true;
    await Promise.all(
      this.all.map(async ({ child }) => {
        if (!child) return;
        const ended = once(child, 'exit');
        child.kill('SIGTERM');
        const late = setTimeout(PATIENCE, 'late', { ref: false });
        if ((await Promise.race([ended, late])) === 'late') child.kill('SIGKILL');
      }),
    );
  }

  private async start(one: One): Promise<Begun> {
    const env = { ...this.env, HOST: '127.0.0.1', PORT: String(one.port) };
    const child = inOwnProcess('oneOfSeveral', this.args, env);
    one.child = child;
    child.once('exit', (code, signal) => {
      const { serves } = one;
      Object.assign(one, { child: undefined, serves: false });
      if (this.ending || !serves) return;
      this.logger.error(`A process ended (${signal ?? code}) and is begun again.`);
      void this.startAgain(one);
    });
    const [told] = await Promise.race([
      once(child, 'message'),
      once(child, 'exit').then(() => [{ why: 'It ended before it served.' }]),
    ]);
    const begun = v.parse(ToldSchema, told);
    if ('why' in begun) throw new StartError(begun.why);
    one.serves = true;
    return begun;
  }

  private async startAgain(one: One): Promise<void> {
    while (!this.ending) {
      await setTimeout(AGAIN);
      if (this.ending) return;
      try {
        await this.start(one);
        return;
      } catch (error) {
        if (!this.ending) this.logger.error(error);
      }
    }
  }
}
