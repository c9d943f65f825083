import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import type { Environment } from './settings';
import { fileURLToPath } from 'node:url';

/** Begins a script of this folder in a process of its own; what it logs comes here. */
export function inOwnProcess(
  name: 'nightly' | 'longJob' | 'offerWeeks' | 'oneOfSeveral',
  args: string[] = [],
  env: Environment = {},
): ChildProcess {
  // Built, it stands beside this under another ending than in the sources.
  const ending = import.meta.url.endsWith('.mjs') ? 'mjs' : 'ts';
  const script = fileURLToPath(new URL(`./${name}.${ending}`, import.meta.url));
  return fork(script, args, {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
}
