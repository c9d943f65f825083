// `npm run check`: types, lint, format, and the unit tests of what changed since the last commit;
// the long ones, such as whole simulated jobs, are left to `npm test`.
// What was looked at before is remembered, so that it can be asked for after every change.
import { join } from 'node:path';
import { FORMAT, HOUSE, LINT, typesChecked } from './house.mjs';
import { inLanes } from './lanes.mjs';
import { installDependencies, installPostgres, root } from './prepare.mjs';

installDependencies();
installPostgres();

const LONG =
  'simulatedJobs|spoiledSheets|everyStep|http/fuzz|store/.*/(archive|converge|damage|readTables)|demoJobs';
const kept = (name) => join(root, '.cache', name);
const types = typesChecked((name) => [
  '--incremental',
  '--tsBuildInfoFile',
  kept(`${name}.tsbuildinfo`),
]);
const { failed } = await inLanes([
  ['Unit tests of what changed', 'jest', ['--onlyChanged', `--testPathIgnorePatterns=${LONG}`]],
  LINT,
  ...types,
  ...HOUSE,
  FORMAT,
]);
process.exit(failed === 0 ? 0 : 1);
