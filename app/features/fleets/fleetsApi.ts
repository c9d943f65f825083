import type { FleetPost, Fleets, WaitingAnswer } from '@longbar/core';
import { FleetsSchema } from '@longbar/core';
import { api } from '../../state/api';
import { tellsOf } from '../../state/unanswered';

/** Whoever changes something gets all of it back: nothing is asked twice. */
const told = {
  responseSchema: FleetsSchema,
  invalidatesTags: (_fleets: Fleets | undefined, error: unknown) =>
    error ? [] : (['fleets', 'machines', 'shop'] as const),
};

/** Telematics services and the readings that wait, which only a foreman's Shop asks for. */
const fleetsApi = api.enhanceEndpoints({ addTagTypes: ['fleets'] }).injectEndpoints({
  endpoints: (build) => ({
    fleets: build.query<Fleets, void>({
      query: () => ({ url: '/fleets' }),
      responseSchema: FleetsSchema,
      providesTags: tellsOf('fleets'),
    }),
    keepFleet: build.mutation<Fleets, FleetPost & { id?: string | undefined }>({
      query: ({ id, ...body }) =>
        id === undefined
          ? { url: '/fleets', method: 'POST', body }
          : { url: `/fleets/${id}`, method: 'PUT', body },
      ...told,
    }),
    askFleet: build.mutation<Fleets, string>({
      query: (id) => ({ url: `/fleets/${id}/ask`, method: 'POST', body: {} }),
      ...told,
    }),
    endFleet: build.mutation<Fleets, string>({
      query: (id) => ({ url: `/fleets/${id}`, method: 'DELETE' }),
      ...told,
    }),
    settleWaiting: build.mutation<Fleets, { id: number; answer: WaitingAnswer }>({
      query: ({ id, answer }) => ({ url: `/fleets/waiting/${id}`, method: 'POST', body: answer }),
      ...told,
    }),
  }),
});

export const {
  useAskFleetMutation,
  useEndFleetMutation,
  useFleetsQuery,
  useKeepFleetMutation,
  useSettleWaitingMutation,
} = fleetsApi;
