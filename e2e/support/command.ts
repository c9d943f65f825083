import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { root } from './root';

const run = promisify(execFile);

/** One of the project's commands, as a person types it; answers what it said. */
export async function command(
  args: string[],
  data: string,
): Promise<{ said: string; failed: boolean }> {
  const env = { ...process.env, LONGBAR_DATA: data };
  try {
    const { stdout } = await run(process.execPath, args, { cwd: root, env });
    return { said: stdout, failed: false };
  } catch (error) {
    const { stderr } = error as { stderr: string };
    return { said: stderr, failed: true };
  }
}
