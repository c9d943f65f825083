import type { Offer, PlanPut, PlansPost, Weeks } from '@longbar/core';
import { OfferSchema, WeeksSchema } from '@longbar/core';
import { api } from '../../state/api';
import { tellsOf } from '../../state/unanswered';

/** Whoever changes something gets the weeks as they are then. */
const told = {
  responseSchema: WeeksSchema,
  invalidatesTags: (_weeks: Weeks | undefined, error: unknown) =>
    error ? [] : (['weeks'] as const),
};

/** The coming weeks of the yard, which only the planner asks for. */
const weeksApi = api.enhanceEndpoints({ addTagTypes: ['weeks'] }).injectEndpoints({
  endpoints: (build) => ({
    weeks: build.query<Weeks, void>({
      query: () => '/weeks',
      responseSchema: WeeksSchema,
      providesTags: tellsOf('weeks', 'machines', 'shop'),
    }),
    plan: build.mutation<Weeks, PlanPut & { machine: string }>({
      query: ({ machine, ...body }) => ({ url: `/weeks/${machine}`, method: 'PUT', body }),
      ...told,
    }),
    planAll: build.mutation<Weeks, PlansPost>({
      query: (body) => ({ url: '/weeks', method: 'POST', body }),
      ...told,
    }),
    offer: build.mutation<Offer, void>({
      query: () => ({ url: '/weeks/offer', method: 'POST', body: {} }),
      responseSchema: OfferSchema,
    }),
  }),
});

export const { useOfferMutation, usePlanAllMutation, usePlanMutation, useWeeksQuery } = weeksApi;
