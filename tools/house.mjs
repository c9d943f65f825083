// The checks of how the house is built: its types, which room may know which, and that nothing
// lies unused.

/**
 * What is checked for its types, each with its folder: core by itself, so that it knows neither
 * page nor server; all that Node runs at once, for each by itself would read core again.
 */
const FOLDERS = [
  ['core', 'core'],
  ['app', 'app'],
  ['node', '.'],
  ['tools', 'tools'],
];

/** By its path: the earlier compiler that the rooms are read by brings a program of the same name. */
const TSC = 'node_modules/typescript-7/bin/tsc';

/**
 * The checks of types.
 * @param {(name: string) => string[]} more what else the check of one folder is told
 */
export const typesChecked = (more = () => []) =>
  FOLDERS.map(([name, folder]) => [`Types: ${name}`, 'node', [TSC, '-p', folder, ...more(name)]]);

/** By the rules of `.oxlintrc.json`. */
export const LINT = ['Lint', 'oxlint', []];

/** Of what has not been looked at as it stands: all of it takes half a minute. */
export const FORMAT = [
  'Format',
  'prettier',
  [
    ...['--check', '--log-level', 'warn', '--cache', '--cache-strategy', 'content'],
    ...['--cache-location', '.cache/prettier', '.'],
  ],
];

/** The parts of the source that the rules of the rooms are for. */
const ROOMS = ['core/src', 'server/src', 'app', 'bench'];

export const HOUSE = [
  ['Rooms', 'depcruise', [...ROOMS, '--config', '.dependency-cruiser.cjs']],
  ['Nothing unused', 'knip', ['--no-config-hints']],
];
