import type { MachineDetail, SheetDetail } from '@longbar/core';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api } from '../../state/api';
import type { AppStore, RootState } from '../../state/store';
import { useAppSelector } from '../../state/store';

/** The sheets by their ids, fetched where they are not known here yet. */
export function useSheetsBy(ids: readonly string[]): (id: string) => SheetDetail | undefined {
  const dispatch = useDispatch<AppStore['dispatch']>();
  const key = ids.join(' ');
  useEffect(() => {
    const asked = key === '' ? [] : key.split(' ');
    const fetches = asked.map((id) => dispatch(api.endpoints.sheet.initiate(id)));
    return () => fetches.forEach((fetch) => fetch.unsubscribe());
  }, [dispatch, key]);
  const state = useAppSelector(apiState);
  return (id) => api.endpoints.sheet.select(id)({ api: state }).data;
}

/** The machines as far as this phone has seen them. */
export function useMachinesSeen(): (id: string) => MachineDetail | undefined {
  const state = useAppSelector(apiState);
  return (id) => api.endpoints.machine.select(id)({ api: state }).data;
}

const apiState = (state: RootState) => state.api;
