// `npm run dev`: the server with live reload on PORT, the application with live reload on
// 8081; the application asks the server across the two ports.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { environment, installDependencies, root, say } from './prepare.mjs';

installDependencies();
const port = process.env.PORT ?? '8640';
const { CI: _, ...env } = environment;
const bin = (name) => join(root, 'node_modules/.bin', name);
const children = [
  spawn(bin('tsx'), ['watch', '--clear-screen=false', 'server/src/dev.ts'], {
    cwd: root,
    env: { ...env, PORT: port, LONGBAR_DEV_ORIGIN: 'http://localhost:8081' },
    stdio: 'inherit',
  }),
  spawn(
    process.execPath,
    [join(root, 'node_modules/expo/bin/cli'), 'start', '--web', '--port', '8081'],
    {
      cwd: join(root, 'app'),
      env: { ...env, EXPO_PUBLIC_API: `http://localhost:${port}`, BROWSER: 'none' },
      stdio: 'inherit',
    },
  ),
];
say('The application is at http://localhost:8081/ once both sides are up.');
const stop = () => children.forEach((child) => child.kill('SIGTERM'));
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
