import type { MachineLine } from '@longbar/core';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api } from '../../state/api';
import type { AppStore } from '../../state/store';

/** After the yard is shown, and then one by one, ms. */
const AFTER = 1500;
const APART = 150;
/** More machines than this are fetched when they are opened. */
const MOST = 60;
/** What was fetched within this is not asked for again, s. */
const FRESH = 900;

/** Keeps every machine and sheet of the yard on the phone: any can be opened without signal. */
export function useSeenMachines(machines: readonly MachineLine[] | undefined): void {
  const dispatch = useDispatch<AppStore['dispatch']>();
  useEffect(() => {
    if (!machines) return;
    const fresh = { ifOlderThan: FRESH };
    const sheets = [...new Set(machines.map(({ sheet }) => sheet.id))];
    const fetches = [
      () => dispatch(api.util.prefetch('sheets', undefined, fresh)),
      ...machines.slice(0, MOST).map(({ id }) => () => {
        dispatch(api.util.prefetch('machine', id, fresh));
      }),
      ...sheets.slice(0, MOST).map((id) => () => dispatch(api.util.prefetch('sheet', id, fresh))),
    ];
    // They go on when the yard is left: what was seen in it is wanted all the same.
    fetches.forEach((fetch, i) => setTimeout(fetch, AFTER + i * APART));
  }, [dispatch, machines]);
}
