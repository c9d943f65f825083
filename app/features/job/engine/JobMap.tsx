import type { SeatedBank } from '@longbar/core';
import { headSeen, seatingOf } from '@longbar/core';
import { useMemo } from 'react';
import type { MapCell } from '../../../drawing/mapCell';
import { HeadMap } from '../../../drawing/HeadMap';
import { useAppSelector } from '../../../state/store';
import type { WorkingJob } from '../model/workingJob';
import { foldedBank } from './foldedBank';

type Props = {
  job: WorkingJob;
  cells: Record<string, MapCell>;
  width: number;
  fine?: boolean;
  /** On a narrow screen: only the bank that is worked on. */
  oneBank?: boolean;
  /** On a screen without much height. */
  short?: boolean;
  onSelect?: (id: string) => void;
};

const AS_IT_FIRES = ['fires first', 'fires last'] as const;

/** The head of this job's engine, as the one who works at it looks at it. */
export function JobMap({ job, oneBank = false, ...map }: Props) {
  const { sheet } = job.setting;
  const view = useAppSelector((state) => state.preferences.headView);
  const { banks, ends } = useMemo(() => headSeen(sheet, seatingOf(sheet), view), [sheet, view]);
  const folded = oneBank ? (bank: SeatedBank) => foldedBank(bank, map.cells) : undefined;
  return <HeadMap banks={banks} ends={ends ?? AS_IT_FIRES} folded={folded} {...map} />;
}
