// Checks run side by side: each of them keeps one core busy.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { roomy, root, say } from './prepare.mjs';

/**
 * Runs lists of checks, `[name, command, arguments]`, the lists side by side. Each check says its
 * say once it is done. Answers how many passed and failed.
 */
export async function inLanes(...lanes) {
  const results = await Promise.all(lanes.map(lane));
  const all = results.flat();
  const passed = all.filter((status) => status === 0).length;
  return { passed, failed: all.length - passed };
}

async function lane(checks) {
  const results = [];
  for (const [what, command, args] of checks) {
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
