import type { Hook, HookPost, NewHook } from '@longbar/core';
import { HooksSchema, NewHookSchema } from '@longbar/core';
import { api } from '../../state/api';
import { tellsOf } from '../../state/unanswered';

const changed = (_told: unknown, error: unknown) => (error ? [] : (['hooks'] as const));
const all = { responseSchema: HooksSchema, invalidatesTags: changed };
/** Its secret is told this once. */
const anew = { responseSchema: NewHookSchema, invalidatesTags: changed };

/** Programs that are told what happens, which only a foreman's Shop asks for. */
const hooksApi = api.enhanceEndpoints({ addTagTypes: ['hooks'] }).injectEndpoints({
  endpoints: (build) => ({
    hooks: build.query<Hook[], void>({
      query: () => ({ url: '/hooks' }),
      responseSchema: HooksSchema,
      providesTags: tellsOf('hooks'),
    }),
    addHook: build.mutation<NewHook, HookPost>({
      query: (body) => ({ url: '/hooks', method: 'POST', body }),
      ...anew,
    }),
    moveHook: build.mutation<Hook[], HookPost & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/hooks/${id}`, method: 'PUT', body }),
      ...all,
    }),
    renewSecret: build.mutation<NewHook, string>({
      query: (id) => ({ url: `/hooks/${id}/secret`, method: 'POST', body: {} }),
      ...anew,
    }),
    sendToHook: build.mutation<Hook[], string>({
      query: (id) => ({ url: `/hooks/${id}/send`, method: 'POST', body: {} }),
      ...all,
    }),
    endHook: build.mutation<Hook[], string>({
      query: (id) => ({ url: `/hooks/${id}`, method: 'DELETE' }),
      ...all,
    }),
  }),
});

export const {
  useAddHookMutation,
  useEndHookMutation,
  useHooksQuery,
  useMoveHookMutation,
  useRenewSecretMutation,
  useSendToHookMutation,
} = hooksApi;
