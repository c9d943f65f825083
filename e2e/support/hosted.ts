import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { root } from './root';

/** What a server is started with. */
export type Start = {
  env: { PORT: string } & Record<string, string>;
  demo: boolean;
  web?: string | undefined;
  /** By two processes, on a PostgreSQL of its own. */
  postgres?: boolean | undefined;
  /** No file of its may grow beyond that, as on a full disk. */
  kilobytes?: number | undefined;
};

/** A server that goes up and down. */
export type Serving = {
  /** Answers the link that pairs the first phone, where there is none. */
  up(start: Start): Promise<string | undefined>;
  down(signal: 'SIGTERM' | 'SIGKILL'): Promise<void>;
};

type Question = { port: string; env?: Start['env']; options?: { demo: boolean; web: string } };
type Answer = { port: string; firstLink?: string; error?: string };

/** One process for all servers of the tests that run here one after the other. */
let host: { child: ChildProcess; ended: Promise<never> } | undefined;

function begun() {
  const child = fork(join(root, 'e2e/support/serveMany.mjs'), { execArgv: [] });
  const ended = once(child, 'exit').then((): never => {
    throw new Error('The process of the servers ended.');
  });
  // At the end of all tests nobody waits for it any more.
  ended.catch(() => undefined);
  return { child, ended };
}

async function ask(question: Question): Promise<Answer> {
  const { child, ended } = (host ??= begun());
  child.send(question);
  for (;;) {
    const [answer] = (await Promise.race([once(child, 'message'), ended])) as [Answer];
    if (answer.port !== question.port) continue;
    if (answer.error !== undefined) throw new Error(answer.error);
    return answer;
  }
}

const ALONE = 'only where it is started `alone`: others are served by the same process';

/** Serves beside others in one process, which is there already when most tests begin. */
export class Hosted implements Serving {
  private port: string | undefined;

  async up({ env, demo, web = join(root, 'app/dist'), kilobytes }: Start) {
    if (kilobytes !== undefined) throw new Error(`Its files are bounded ${ALONE}.`);
    const answer = await ask({ port: env.PORT, env, options: { demo, web } });
    this.port = env.PORT;
    return answer.firstLink;
  }

  async down(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    if (signal === 'SIGKILL') throw new Error(`It is killed ${ALONE}.`);
    if (this.port === undefined) return;
    const { port } = this;
    this.port = undefined;
    await ask({ port });
  }
}
