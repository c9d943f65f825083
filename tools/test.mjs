// `npm test`: every check there is, then one line that sums all runners. With `--short` one browser
// test of each kind, and a fifth of what is tried at random.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FORMAT, HOUSE, LINT, typesChecked } from './house.mjs';
import { inLanes } from './lanes.mjs';
import {
  environment,
  inMemory,
  installChromium,
  installDependencies,
  installPostgres,
  root,
  say,
} from './prepare.mjs';

const [asked, ...more] = process.argv.slice(2);
if (more.length > 0 || ![undefined, '--short'].includes(asked)) {
  console.error('Say `npm test` for all there is, or `npm test -- --short`.');
  process.exit(1);
}
const LONGBAR_TRIED = asked === undefined ? 'whole' : 'short';

installDependencies();
installChromium();
installPostgres();

const results = mkdtempSync(join(tmpdir(), 'longbar-test-'));

/** A runner that writes its counts to a file. */
function count(what, command, args, read, env) {
  say(`\n== ${what}`);
  const started = Date.now();
  const { status } = run(command, args, env);
  say(`${what}: ${Math.round((Date.now() - started) / 1000)} s`);
  let counts = { passed: 0, failed: 0 };
  try {
    counts = read();
  } catch {
    say(`${what} left no results.`);
  }
  passed += counts.passed;
  // A runner that ends badly has failed, even where no single test did.
  failed += counts.failed > 0 || status === 0 ? counts.failed : 1;
}

function run(command, args, env) {
  const bin = join(root, 'node_modules/.bin', command);
  return spawnSync(bin, args, { cwd: root, env, stdio: 'inherit' });
}

const json = (name) => JSON.parse(readFileSync(join(results, name), 'utf8'));

let { passed, failed } = await inLanes([
  ['Build', 'node', ['tools/build.mjs']],
  FORMAT,
  LINT,
  ...typesChecked(),
  ...HOUSE,
]);
count(
  'Unit tests',
  'jest',
  ['-c', 'jest.together.cjs', '--json', `--outputFile=${join(results, 'jest.json')}`],
  () => ({
    passed: json('jest.json').numPassedTests,
    failed: json('jest.json').numFailedTests,
  }),
  { ...inMemory, LONGBAR_TRIED },
);
count(
  'End to end',
  'playwright',
  ['test', '-c', 'e2e/playwright.config.ts'],
  () => {
    const { expected, unexpected } = json('playwright.json').stats;
    return { passed: expected, failed: unexpected };
  },
  { ...environment, LONGBAR_TRIED, LONGBAR_E2E_RESULTS: join(results, 'playwright.json') },
);

rmSync(results, { recursive: true, force: true });
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
