// Checks run two at a time: each of them keeps one core busy.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { roomy, root, say } from './prepare.mjs';

const LANES = 2;

/**
 * Runs checks, `[name, command, arguments]`, in turn and two at a time: the long ones come first, or
 * the last of them runs alone. Each says its say once it is done. Answers how many passed and failed.
 */
export async function inLanes(checks) {
  const left = [...checks];
  const results = await Promise.all(Array.from({ length: LANES }, () => lane(left)));
  const all = results.flat();
  const passed = all.filter((status) => status === 0).length;
  return { passed, failed: all.length - passed };
}

/** Takes one after the other of what is left. */
async function lane(left) {
  const results = [];
  while (left.length > 0) {
    const [what, command, args] = left.shift();
    const started = Date.now();
    const { status, said } = await quietly(command, args);
    say(`\n== ${what}, ${Math.round((Date.now() - started) / 1000)} s`);
    if (said.trim()) say(said.trim());
    results.push(status);
  }
  return results;
}

function quietly(command, args) {
  const bin = command === 'node' ? process.execPath : join(root, 'node_modules/.bin', command);
  const child = spawn(bin, args, { cwd: root, env: roomy });
  let said = '';
  child.stdout.on('data', (data) => (said += data));
  child.stderr.on('data', (data) => (said += data));
  return new Promise((resolve) => child.once('close', (status) => resolve({ status, said })));
}
