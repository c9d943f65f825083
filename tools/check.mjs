// `npm run check`: types, lint, format, and the unit tests of what changed since the last commit;
// the long ones, such as whole simulated jobs, are left to `npm test`.
// What was looked at before is remembered, so that it can be asked for after every change.
import { join } from 'node:path';
import { HOUSE } from './house.mjs';
import { inLanes } from './lanes.mjs';
import { installDependencies, root } from './prepare.mjs';

installDependencies();

const LONG =
  'simulatedJobs|spoiledSheets|everyStep|http/fuzz|store/.*/(archive|converge|damage|readTables)|demoJobs';
const kept = (name) => join(root, '.cache', name);
const types = (part) => {
  const known = ['--incremental', '--tsBuildInfoFile', kept(`${part}.tsbuildinfo`)];
  return [`Types: ${part}`, 'tsc', ['-p', part, ...known]];
};
const { failed } = await inLanes(
  [
    types('core'),
    types('app'),
    ['Unit tests of what changed', 'jest', ['--onlyChanged', `--testPathIgnorePatterns=${LONG}`]],
  ],
  [
    types('server'),
    types('e2e'),
    types('bench'),
    types('tools'),
    ...HOUSE,
    ['Lint', 'eslint', ['.', '--max-warnings', '0', '--cache', '--cache-location', kept('eslint')]],
    [
      'Format',
      'prettier',
      ['--check', '--log-level', 'warn', '--cache', '--cache-location', kept('prettier'), '.'],
    ],
  ],
);
process.exit(failed === 0 ? 0 : 1);
