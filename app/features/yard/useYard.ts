import type { MachineLine } from '@longbar/core';
import { localDay } from '@longbar/core';
import { useMachinesQuery } from '../../state/api';
import { machineOf, sheetsSpokenOf, yardWithWords } from '../../state/machineWords';
import { useAppSelector } from '../../state/store';
import type { Asked } from '../shared/Coming';
import { useMachinesSeen, useSheetsBy } from '../shared/useKnown';

type Yard = {
  /** Undefined until something is known of it. */
  machines: MachineLine[] | undefined;
  isLoading: boolean;
  /** How it was asked of the server. */
  asked: Asked;
};

/** The yard as the server tells it, with what was said of its machines on this phone. */
export function useYard(): Yard {
  const query = useMachinesQuery(undefined, { refetchOnMountOrArgChange: true });
  const words = useAppSelector((state) => state.machineWords.waiting);
  const sheetBy = useSheetsBy(sheetsSpokenOf(words));
  const machineBy = useMachinesSeen(words.map(machineOf));
  const { data, isLoading } = query;
  const machines =
    words.length === 0
      ? data
      : yardWithWords(data ?? [], words, machineBy, sheetBy, localDay(new Date()));
  return { machines, isLoading, asked: query };
}
