// `npm run soak`: the crash, damage, convergence and fuzz tests in full, at every step and for all
// rounds, and what holds of anything tried with other things each time; `npm test` runs a slice of
// each, the same each time. It takes about half an hour on two cores, and as long again for all
// browser tests on PostgreSQL by three processes.
import { join } from 'node:path';
import {
  build,
  environment,
  installChromium,
  installDependencies,
  installPostgres,
  must,
  root,
} from './prepare.mjs';

installDependencies();
installChromium();
installPostgres();
const env = { ...environment, LONGBAR_TRIED: 'soak' };
const bin = (name) => join(root, 'node_modules/.bin', name);
must(
  'The soak',
  bin('jest'),
  [
    '--testPathPattern',
    'everyStep|fullDisk|arrival|restored|converge|fuzz|store/exchange/archive|hoursFile|isolation|pins|weeks|demoJobs|core/src',
    '--verbose',
  ],
  { env },
);
build();
must(
  'The soak of kill -9',
  bin('playwright'),
  ['test', '-c', 'e2e/playwright.config.ts', 'power-cut', 'several'],
  { env },
);
// The same tests as of one process with its file.
must('Browser tests on PostgreSQL', bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts'], {
  env: { ...environment, LONGBAR_E2E_POSTGRES: '1' },
});
