// `npm run bench`: measures, side by side in one run, and prints the table. Bundled as the
// server is, for a loader that rewrites functions as it goes would be measured along; beside it, where
// its packages are found.
import { join } from 'node:path';
import {
  build,
  installChromium,
  installDependencies,
  installPostgres,
  must,
  root,
} from './prepare.mjs';

installDependencies();
installChromium();
installPostgres();
build();
must('Bundling the bench', join(root, 'node_modules/.bin/esbuild'), [
  'bench/run.ts',
  '--bundle',
  '--platform=node',
  '--format=esm',
  '--target=node20',
  '--packages=external',
  '--alias:@longbar/core=./core/src/index.ts',
  '--alias:@longbar/core/listen=./core/src/listen/index.ts',
  '--outfile=server/dist/bench.mjs',
  '--log-level=warning',
]);
must('The bench', process.execPath, ['server/dist/bench.mjs', ...process.argv.slice(2)]);
