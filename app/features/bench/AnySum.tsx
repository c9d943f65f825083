import type { BenchFigures } from '@longbar/core';
import type { ComponentType } from 'react';
import type { SumId } from './sums';
import { AdapterSum } from './sums/AdapterSum';
import { BarSum } from './sums/BarSum';
import { BladesSum } from './sums/BladesSum';
import { HoursSum } from './sums/HoursSum';
import { LengthSum } from './sums/LengthSum';
import { ScrewSum } from './sums/ScrewSum';
import { SetSum } from './sums/SetSum';
import { ShimsSum } from './sums/ShimsSum';
import { TorqueSum } from './sums/TorqueSum';

const VIEWS: Record<SumId, ComponentType<{ figures: BenchFigures }>> = {
  blades: BladesSum,
  set: SetSum,
  length: LengthSum,
  screw: ScrewSum,
  adapter: AdapterSum,
  torque: TorqueSum,
  bar: BarSum,
  shims: ShimsSum,
  hours: HoursSum,
};

/** Any of the sums, with the figures that it begins with. */
export function AnySum({ id, figures }: { id: SumId; figures: BenchFigures }) {
  const View = VIEWS[id];
  return <View figures={figures} />;
}
