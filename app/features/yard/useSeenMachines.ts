import type { MachineLine, SheetLine } from '@longbar/core';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { api, useSheetsQuery } from '../../state/api';
import type { AppStore } from '../../state/store';
import { fetchPhotos } from '../shared/fetchPhotos';
import { AskedFor } from './askedFor';

/** After the yard is shown, and then one by one, ms. */
const AFTER = 1500;
const APART = 150;
/** More machines than this are fetched when they are opened. */
const MOST = 60;
/** What is asked for here is asked of the server, whatever is known of it. */
const ANEW = { subscribe: false, forceRefetch: true };

/** What this page asked for: of a yard that is left and shown again only what has changed is. */
const [machinesAsked, sheetsAsked] = [new AskedFor(), new AskedFor()];

/**
 * Keeps every machine of the yard and every sheet on the phone: any can be opened without signal,
 * and a machine added that goes by any of them.
 */
export function useSeenMachines(machines: readonly MachineLine[] | undefined): void {
  const dispatch = useDispatch<AppStore['dispatch']>();
  const { data: sheets } = useSheetsQuery();
  useEffect(() => {
    const fetches = [
      ...machinesAsked.fresh(firstOf<MachineLine>(machines)).map((id) => () => {
        const asked = dispatch(api.endpoints.machine.initiate(id, ANEW));
        void asked.then(({ data }) => keep(machinesAsked, id, data));
      }),
      ...sheetsAsked.fresh(firstOf<SheetLine>(sheets)).map((id) => () => {
        const asked = dispatch(api.endpoints.sheet.initiate(id, ANEW));
        void asked.then(({ data }) => keep(sheetsAsked, id, data));
      }),
    ];
    // They go on when the yard is left: what was seen in it is wanted all the same.
    fetches.forEach((fetch, i) => setTimeout(fetch, AFTER + i * APART));
  }, [dispatch, machines, sheets]);
}

function firstOf<Line>(lines: readonly Line[] = []): readonly Line[] {
  return lines.slice(0, MOST);
}

type Answer = { document: Parameters<typeof fetchPhotos>[0] };

/** With its photos; what nobody answered is asked for again. */
function keep(asked: AskedFor, id: string, data: Answer | undefined): void {
  if (data) fetchPhotos(data.document);
  else asked.forget(id);
}
