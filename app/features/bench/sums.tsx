import type { BenchFigures } from '@longbar/core';
import type { ComponentType } from 'react';
import { AdapterSum } from './sums/AdapterSum';
import { BarSum } from './sums/BarSum';
import { BladesSum } from './sums/BladesSum';
import { HoursSum } from './sums/HoursSum';
import { LengthSum } from './sums/LengthSum';
import { ScrewSum } from './sums/ScrewSum';
import { SetSum } from './sums/SetSum';
import { ShimsSum } from './sums/ShimsSum';
import { TorqueSum } from './sums/TorqueSum';

/** One sum: its name in an address, what it is called, what it answers, and its page. */
export type Sum = {
  id: string;
  title: string;
  detail: string;
  View: ComponentType<{ figures: BenchFigures }>;
};

/** The sums of the trade, the most asked for first. */
export const SUMS: readonly Sum[] = [
  {
    id: 'blades',
    title: 'Blades for a gap',
    detail: 'Which blades of the set make it',
    View: BladesSum,
  },
  {
    id: 'set',
    title: 'What this set can decide',
    detail: 'Limits that fall between blades',
    View: SetSum,
  },
  {
    id: 'length',
    title: 'Millimetres and thou',
    detail: 'And what is taken for what',
    View: LengthSum,
  },
  {
    id: 'screw',
    title: 'Turn of the screw',
    detail: 'For a change of the gap, on a clock face',
    View: ScrewSum,
  },
  {
    id: 'adapter',
    title: 'Torque with an adapter',
    detail: 'What the wrench is set to, at any angle',
    View: AdapterSum,
  },
  { id: 'torque', title: 'Units of torque', detail: 'N·m, lb·ft and lb·in', View: TorqueSum },
  {
    id: 'bar',
    title: 'Degrees at the pulley',
    detail: 'As arc along the rim, turns and clicks',
    View: BarSum,
  },
  { id: 'shims', title: 'Shims', detail: 'For one bucket or for a head', View: ShimsSum },
  {
    id: 'hours',
    title: 'Hours to a date',
    detail: 'When the meter will show them',
    View: HoursSum,
  },
];
