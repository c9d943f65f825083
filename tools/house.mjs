// The checks of how the house is built: its types, which room may know which, and that nothing
// lies unused.

/**
 * What is checked for its types, each with its folder: core by itself, so that it knows neither
 * page nor server; all that Node runs at once, for each by itself would read core again.
 */
export const TYPES = [
  ['core', 'core'],
  ['app', 'app'],
  ['node', '.'],
  ['tools', 'tools'],
];

/** The parts of the source that the rules of the rooms are for. */
const ROOMS = ['core/src', 'server/src', 'app', 'bench'];

export const HOUSE = [
  ['Rooms', 'depcruise', [...ROOMS, '--config', '.dependency-cruiser.cjs']],
  ['Nothing unused', 'knip', ['--no-config-hints']],
];
