import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import type { Serving, Start } from './hosted';
import { root } from './root';

/** A PostgreSQL of its own is made and begun before it answers; beside other work that takes long, ms. */
const PATIENCE = 300_000;

/** Serves in a process of its own, which can be killed, or whose files may not grow. */
export class Alone implements Serving {
  private child: ChildProcess | undefined;

  /** Starts it, and waits until it says where it is. */
  async up({ env, demo, web, postgres, kilobytes }: Start): Promise<string | undefined> {
    const limit = kilobytes === undefined ? '' : `ulimit -f ${kilobytes};`;
    const words = `${demo ? 'demo' : ''} ${postgres ? 'postgres' : ''}`;
    const script = `${limit} exec "${process.execPath}" e2e/support/serveAlone.mjs ${words}`;
    const child = spawn('bash', ['-c', script], {
      cwd: root,
      env: { ...process.env, ...env, ...(web !== undefined && { LONGBAR_E2E_WEB: web }) },
      stdio: 'pipe',
    });
    this.child = child;
    let said = '';
    child.stdout.on('data', (data) => (said += data));
    child.stderr.on('data', (data) => (said += data));
    const late = Date.now() + PATIENCE;
    while (Date.now() < late) {
      if (child.exitCode !== null) throw new Error(`The server ended: ${said}`);
      if (said.includes('Ctrl-C')) return /\S+\/pair#\S+/.exec(said)?.[0];
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    throw new Error(`The server did not start: ${said}`);
  }

  /** The number of its process. */
  get pid(): number {
    return this.child?.pid ?? 0;
  }

  async down(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }
}
