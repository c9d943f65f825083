import type { MachineDetail } from '@longbar/core';
import { localDay } from '@longbar/core';
import { useMemo } from 'react';
import { useMachineQuery } from '../../state/api';
import { machineOf, machineWithWords, sheetsSpokenOf } from '../../state/machineWords';
import { useAppSelector } from '../../state/store';
import type { Asked } from './Coming';
import { useSheetsBy } from './useKnown';

type Known = {
  machine: MachineDetail | undefined;
  /** Whether the server has been told of it. */
  isAdded: boolean;
  /** How it was asked of the server. */
  asked: Asked;
};

/** A machine as the server tells it, with what was said of it on this phone and is not sent yet. */
export function useMachine(id: string): Known {
  const query = useMachineQuery(id, { refetchOnMountOrArgChange: true });
  const waiting = useAppSelector((state) => state.machineWords.waiting);
  const words = useMemo(() => waiting.filter((word) => machineOf(word) === id), [waiting, id]);
  const sheetBy = useSheetsBy(sheetsSpokenOf(words));
  const machine =
    words.length === 0
      ? query.data
      : machineWithWords(query.data, words, sheetBy, localDay(new Date()));
  return {
    machine,
    isAdded: query.data !== undefined,
    asked: query,
  };
}
