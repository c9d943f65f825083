// What every command needs before it can start: dependencies as locked, and a build of the
// sources as they are now. Each says what it does and is skipped when there is nothing to do.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statfsSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { onlyOne } from './onlyOne.mjs';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const stamps = join(root, '.cache');
/** Where it is noted which process installs or builds. */
const PREPARING = join(stamps, 'preparing');

/** Linux's folder in memory, and what has to be free in it, bytes. */
const MEMORY = '/dev/shm';
const ROOM = 8 * 2 ** 30;

/** What builds and tests run with: nothing is asked, fetched or reported. */
export const environment = {
  ...process.env,
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  EXPO_NO_DOTENV: '1',
  CI: '1',
  PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1',
};

/**
 * What compiles, checks and computes makes much that is thrown away at once: with more room for it
 * Node sweeps less often, and takes a sixth less.
 */
export const roomy = {
  ...environment,
  NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=128`.trim(),
};

/**
 * Where tests of the server write: in memory, where there is room enough for it. A disk is waited
 * for at each transaction, a third of the time of some of them, and what they leave is thrown away.
 */
export const inMemory = roomInMemory() ? { ...roomy, TMPDIR: MEMORY } : roomy;

function roomInMemory() {
  if (!existsSync(MEMORY)) return false;
  const { bavail, bsize } = statfsSync(MEMORY);
  return Math.min(bavail * bsize, process.availableMemory()) > ROOM;
}

export const say = (text) => console.log(text);

/** Runs a command in the project; ends this process with one line when it fails. */
export function must(what, command, args, options = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: root,
    env: environment,
    stdio: 'inherit',
    ...options,
  });
  if (status === 0) return;
  console.error(`${what} failed${error ? `: ${error.message}` : ''}.`);
  process.exit(1);
}

/** Installs the locked dependencies where they are missing or of another lock file. */
export function installDependencies() {
  const wanted = digest([join(root, 'package-lock.json')]);
  const isThere = () =>
    stampIs('installed', wanted) && existsSync(join(root, 'node_modules/express'));
  if (isThere()) return;
  onlyOne(PREPARING, () => isThere() || installAnew(wanted));
}

function installAnew(wanted) {
  unstamp('installed');
  say('Installing dependencies (some minutes the first time; SQLite is compiled here) …');
  must('Installing dependencies', 'npm', ['ci', '--loglevel=error', '--no-audit', '--no-fund']);
  stamp('installed', wanted);
}

const SOURCES = [
  'core',
  'server',
  'app',
  'package-lock.json',
  'tsconfig.base.json',
  'tools/serviceWorker.mjs',
];

/** Builds the server and the web application where their sources have changed. */
export function build() {
  const wanted = digest(SOURCES.map((name) => join(root, name)));
  const built = [
    'server/dist/dataFolder.mjs',
    'server/dist/main.mjs',
    'server/dist/nightly.mjs',
    'server/dist/longJob.mjs',
    'server/dist/oneOfSeveral.mjs',
    'app/dist/index.html',
    'app/dist/sw.js',
  ];
  const isThere = () =>
    stampIs('built', wanted) && built.every((file) => existsSync(join(root, file)));
  if (isThere()) return;
  onlyOne(PREPARING, () => isThere() || buildAnew(wanted));
}

function buildAnew(wanted) {
  unstamp('built');
  say('Building the server …');
  must('Building the server', join(root, 'node_modules/.bin/esbuild'), [
    'server/src/main.ts',
    'server/src/dataFolder.ts',
    'server/src/nightly.ts',
    'server/src/longJob.ts',
    'server/src/offerWeeks.ts',
    'server/src/oneOfSeveral.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--packages=external',
    '--alias:@longbar/core=./core/src/index.ts',
    '--alias:@longbar/core/listen=./core/src/listen/index.ts',
    '--outdir=server/dist',
    '--out-extension:.js=.mjs',
    '--log-level=warning',
  ]);
  say('Building the web application (a minute or two the first time) …');
  must(
    'Building the web application',
    join(root, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', 'dist'],
    { cwd: join(root, 'app'), env: roomy, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  must('Building the service worker', process.execPath, ['tools/serviceWorker.mjs']);
  stamp('built', wanted);
}

/**
 * Debian's Chromium, for the end-to-end tests, and the same without a window: most of them are
 * quicker there, and run in the other where it cannot be had.
 */
export function installChromium() {
  if (!existsSync('/usr/bin/chromium')) install('Chromium', 'chromium');
  if (existsSync('/usr/bin/chromium-headless-shell')) return;
  const had = install('Chromium without a window', 'chromium-headless-shell', false);
  if (!had) say('chromium-headless-shell cannot be had: tests take a little longer.');
}

/** Debian's PostgreSQL, for the tests on it. */
export function installPostgres() {
  if (existsSync('/usr/lib/postgresql')) return;
  install('PostgreSQL', 'postgresql');
}

/** Installs one of Debian's packages. Answers whether it could be had. */
function install(what, name, needed = true) {
  say(`Installing ${what} …`);
  const asRoot = process.getuid?.() === 0 ? 'env' : 'sudo';
  /** @type {import('node:child_process').SpawnSyncOptions} */
  const quiet = {
    env: { ...environment, DEBIAN_FRONTEND: 'noninteractive' },
    stdio: ['ignore', 'ignore', 'inherit'],
  };
  // A machine that cannot ask may have it all the same.
  spawnSync(asRoot, ['apt-get', 'update', '-qq'], quiet);
  const asked = ['apt-get', 'install', '-y', '-qq', name];
  if (!needed) return spawnSync(asRoot, asked, quiet).status === 0;
  must(`Installing ${what}`, asRoot, asked, quiet);
  return true;
}

/** Files below the given places, tests and build products left out. */
function* filesBelow(place) {
  if (!statSync(place).isDirectory()) {
    yield place;
    return;
  }
  for (const name of readdirSync(place).sort()) {
    if (['node_modules', 'dist', '.expo', 'test-support'].includes(name)) continue;
    if (/\.test\.tsx?$/.test(name)) continue;
    yield* filesBelow(join(place, name));
  }
}

function digest(places) {
  const hash = createHash('sha256').update(process.version);
  for (const place of places) {
    for (const file of filesBelow(place))
      hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

function stampIs(name, value) {
  const file = join(stamps, name);
  return existsSync(file) && readFileSync(file, 'utf8') === value;
}

/** What is cut off from here on is not taken for what was there before. */
function unstamp(name) {
  rmSync(join(stamps, name), { force: true });
}

function stamp(name, value) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), value);
}
