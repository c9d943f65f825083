import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { root } from '../e2e/support/root';

/** Builds a bare Expo Router and Paper page with its icon font; answers where it lies. */
export function barePage(): string {
  const { status } = spawnSync(
    join(root, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', 'dist'],
    {
      cwd: join(root, 'bench/bare'),
      env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1' },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  if (status !== 0) throw new Error('The bare page could not be built.');
  return join(root, 'bench/bare/dist');
}
