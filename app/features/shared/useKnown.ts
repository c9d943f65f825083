import type { MachineDetail, SheetDetail } from '@longbar/core';
import { useEffect } from 'react';
import { shallowEqual, useDispatch } from 'react-redux';
import { api } from '../../state/api';
import type { AppStore, RootState } from '../../state/store';
import { useAppSelector } from '../../state/store';

type By<T> = (id: string) => T | undefined;

/** The sheets by their ids, fetched where they are not known here yet. */
export function useSheetsBy(ids: readonly string[]): By<SheetDetail> {
  const dispatch = useDispatch<AppStore['dispatch']>();
  const key = ids.join(' ');
  useEffect(() => {
    const asked = key === '' ? [] : key.split(' ');
    const fetches = asked.map((id) => dispatch(api.endpoints.sheet.initiate(id)));
    return () => fetches.forEach((fetch) => fetch.unsubscribe());
  }, [dispatch, key]);
  return useThose(ids, (id, state) => api.endpoints.sheet.select(id)(state).data);
}

/** The machines of these ids, as far as this phone has seen them. */
export function useMachinesSeen(ids: readonly string[]): By<MachineDetail> {
  return useThose(ids, (id, state) => api.endpoints.machine.select(id)(state).data);
}

/**
 * What is known of each. Whoever asks is drawn anew when one of these changes, and by no other
 * answer: the yard fetches all its machines while it is shown.
 */
function useThose<T>(
  ids: readonly string[],
  known: (id: string, state: RootState) => T | undefined,
): By<T> {
  const found = useAppSelector((state) => ids.map((id) => known(id, state)), shallowEqual);
  return (id) => found[ids.indexOf(id)];
}
