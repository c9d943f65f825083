import type { MachineLine } from '@longbar/core';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api, useSheetsQuery } from '../../state/api';
import type { AppStore } from '../../state/store';
import { fetchPhotos } from '../shared/fetchPhotos';

/** After the yard is shown, and then one by one, ms. */
const AFTER = 1500;
const APART = 150;
/** More machines than this are fetched when they are opened. */
const MOST = 60;
/** What was fetched within this is not asked for again, s. */
const FRESH = 900;

/**
 * Keeps every machine of the yard and every sheet on the phone: any can be opened without signal,
 * and a machine added that goes by any of them.
 */
export function useSeenMachines(machines: readonly MachineLine[] | undefined): void {
  const dispatch = useDispatch<AppStore['dispatch']>();
  const { data: sheets } = useSheetsQuery();
  const seen = machines?.map(({ id }) => id).join(' ');
  const known = sheets?.map(({ id }) => id).join(' ');
  useEffect(() => {
    const fresh = { subscribe: false, forceRefetch: FRESH };
    const fetches = [
      ...idsOf(seen).map((id) => () => {
        const asked = api.endpoints.machine.initiate(id, fresh);
        void dispatch(asked).then(({ data }) => data && fetchPhotos(data.document));
      }),
      ...idsOf(known).map((id) => () => {
        const asked = api.endpoints.sheet.initiate(id, fresh);
        void dispatch(asked).then(({ data }) => data && fetchPhotos(data.document));
      }),
    ];
    // They go on when the yard is left: what was seen in it is wanted all the same.
    fetches.forEach((fetch, i) => setTimeout(fetch, AFTER + i * APART));
  }, [dispatch, seen, known]);
}

function idsOf(joined: string | undefined): string[] {
  return joined ? joined.split(' ').slice(0, MOST) : [];
}
