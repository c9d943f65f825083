import type { Isolation } from './sheet';

const BATTERY: Isolation = {
  id: 'battery',
  text: 'Battery isolator off and locked',
  undo: 'Battery isolator on',
};
const KEY: Isolation = {
  id: 'key',
  text: 'Key out, with the one who works',
  undo: 'Key back',
};
const FUEL: Isolation = {
  id: 'fuel',
  text: 'Fuel supply shut off and tagged',
  undo: 'Fuel supply open, tag off',
};
const SHAFT: Isolation = {
  id: 'shaft',
  text: 'Gearbox in neutral, shaft secured against turning',
  undo: 'Shaft free again',
};

/**
 * What usually makes an engine unable to start, by the kind of machine it stands in. A sheet
 * begins with one of these and makes it its own: the maker's manual and local rules stand.
 */
export const ISOLATION_PRESETS: readonly { machine: string; isolations: readonly Isolation[] }[] = [
  {
    machine: 'Truck',
    isolations: [
      BATTERY,
      KEY,
      FUEL,
      { id: 'wheels', text: 'Brakes on, wheels chocked, out of gear', undo: 'Chocks away' },
    ],
  },
  {
    machine: 'Tractor',
    isolations: [
      BATTERY,
      KEY,
      FUEL,
      { id: 'pto', text: 'Out of gear, power take-off off, brake on', undo: 'As it was found' },
    ],
  },
  {
    machine: 'Boat',
    isolations: [
      BATTERY,
      FUEL,
      SHAFT,
      { id: 'air', text: 'Starting air shut off and bled', undo: 'Starting air open' },
    ],
  },
  {
    machine: 'Standby set',
    isolations: [
      {
        id: 'auto',
        text: 'Controls off automatic start, tagged',
        undo: 'Controls back to automatic',
      },
      BATTERY,
      { id: 'breaker', text: 'Generator breaker open and locked', undo: 'Breaker closed' },
      FUEL,
    ],
  },
];
