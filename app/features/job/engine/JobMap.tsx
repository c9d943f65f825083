import { seatingOf } from '@longbar/core';
import { useMemo } from 'react';
import type { MapCell } from '../../../drawing/mapCell';
import { HeadMap } from '../../../drawing/HeadMap';
import type { WorkingJob } from '../model/useJob';

type Props = {
  job: WorkingJob;
  cells: Record<string, MapCell>;
  width: number;
  fine?: boolean;
  onSelect?: (id: string) => void;
};

/** The head of this job's engine. */
export function JobMap({ job, ...map }: Props) {
  const { sheet } = job.setting;
  const banks = useMemo(() => seatingOf(sheet), [sheet]);
  return <HeadMap banks={banks} {...map} />;
}
