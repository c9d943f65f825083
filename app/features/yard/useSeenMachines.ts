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

/** What was asked for already: a yard that is shown again asks only for what has changed. */
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
      ...machinesAsked.due(firstOf<MachineLine>(machines)).map((id) => () => {
        const asked = dispatch(api.endpoints.machine.initiate(id, ANEW));
        void asked.then((answer) => keep(machinesAsked, id, answer));
      }),
      ...sheetsAsked.due(firstOf<SheetLine>(sheets)).map((id) => () => {
        const asked = dispatch(api.endpoints.sheet.initiate(id, ANEW));
        void asked.then((answer) => keep(sheetsAsked, id, answer));
      }),
    ];
    // They go on when the yard is left: what was seen in it is wanted all the same.
    fetches.forEach((fetch, i) => setTimeout(fetch, AFTER + i * APART));
  }, [dispatch, machines, sheets]);
}

function firstOf<Line>(lines: readonly Line[] = []): readonly Line[] {
  return lines.slice(0, MOST);
}

type Answer = { isSuccess: boolean; data?: { document: Parameters<typeof fetchPhotos>[0] } };

/** With its photos. What nobody answered is asked for again: what was known before is no answer. */
function keep(asked: AskedFor, id: string, { isSuccess, data }: Answer): void {
  if (isSuccess && data) fetchPhotos(data.document);
  else asked.forget(id);
}
