// The checks of how the house is built: which room may know which, and that nothing lies unused.

/** The parts of the source that the rules of the rooms are for. */
const ROOMS = ['core/src', 'server/src', 'app', 'bench'];

export const HOUSE = [
  ['Rooms', 'depcruise', [...ROOMS, '--config', '.dependency-cruiser.cjs']],
  ['Nothing unused', 'knip', ['--no-config-hints']],
];
