// `npm run soak`: the crash, damage, convergence and fuzz tests in full, at every step and for all
// rounds; `npm test` runs a slice of each. It takes about half an hour on two cores.
import { join } from 'node:path';
import { environment, installDependencies, must, root } from './prepare.mjs';

installDependencies();
must(
  'The soak',
  join(root, 'node_modules/.bin/jest'),
  ['--testPathPattern', 'everyStep|arrival|converge|fuzz|store/archive', '--verbose'],
  { env: { ...environment, LONGBAR_SOAK: '1' } },
);
