import type {
  EngineSheet,
  Found,
  HoursFile,
  HoursFound,
  HoursPost,
  HoursReading,
  JobCheck,
  MachineDetail,
  MachineLine,
  SheetDetail,
  SheetLine,
  Seal,
  SheetRevision,
  Shop,
} from '@longbar/core';
import {
  ChecksSchema,
  FoundSchema,
  HoursFoundSchema,
  MachineDetailSchema,
  MachineLinesSchema,
  SealSchema,
  SheetDetailSchema,
  SheetLinesSchema,
  SheetRevisionsSchema,
  ShopSchema,
} from '@longbar/core';
import { API } from '../api/request';
import { createApi } from '@reduxjs/toolkit/query/react';
import { keepingAnswers } from './keptAnswers';

/** What the server owns: machines, their hours, the shop. Answers are checked at this edge. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: keepingAnswers(API),
  tagTypes: ['machines', 'sheets', 'shop'],
  endpoints: (build) => ({
    machines: build.query<MachineLine[], void>({
      query: () => '/machines',
      responseSchema: MachineLinesSchema,
      providesTags: ['machines'],
    }),
    machine: build.query<MachineDetail, string>({
      query: (id) => `/machines/${id}`,
      responseSchema: MachineDetailSchema,
      providesTags: ['machines'],
    }),
    checks: build.query<JobCheck[], string>({
      query: (id) => `/machines/${id}/checks`,
      responseSchema: ChecksSchema,
      providesTags: ['machines'],
    }),
    sheets: build.query<SheetLine[], void>({
      query: () => '/sheets',
      responseSchema: SheetLinesSchema,
      providesTags: ['sheets'],
    }),
    sheet: build.query<SheetDetail, string>({
      query: (id) => `/sheets/${id}`,
      responseSchema: SheetDetailSchema,
      providesTags: ['sheets'],
    }),
    sheetRevisions: build.query<SheetRevision[], string>({
      query: (id) => `/sheets/${id}/revisions`,
      responseSchema: SheetRevisionsSchema,
      providesTags: ['sheets'],
    }),
    sheetRevision: build.query<SheetDetail, { id: string; revision: number }>({
      query: ({ id, revision }) => `/sheets/${id}/revisions/${revision}`,
      responseSchema: SheetDetailSchema,
    }),
    publishSheet: build.mutation<SheetDetail, { id: string; document: EngineSheet }>({
      query: (body) => ({ url: '/sheets', method: 'POST', body }),
      invalidatesTags: ['sheets', 'machines'],
    }),
    seal: build.query<Seal, string>({
      query: (job) => `/jobs/${job}/seal`,
      responseSchema: SealSchema,
    }),
    search: build.query<Found[], string>({
      query: (words) => `/search?q=${encodeURIComponent(words)}`,
      responseSchema: FoundSchema,
    }),
    shop: build.query<Shop, void>({
      query: () => '/shop',
      responseSchema: ShopSchema,
      providesTags: ['shop'],
    }),
    changeShop: build.mutation<Shop, Shop>({
      query: (body) => ({ url: '/shop', method: 'PUT', body }),
      invalidatesTags: ['shop'],
    }),
    takeHours: build.mutation<HoursFound, HoursFile>({
      query: (body) => ({ url: '/hours', method: 'POST', body }),
      responseSchema: HoursFoundSchema,
      // What was only looked at has changed nothing.
      invalidatesTags: (found) => (found?.taken ? ['machines'] : []),
    }),
    addHours: build.mutation<HoursReading, { machine: string; reading: HoursPost }>({
      query: ({ machine, reading }) => ({
        url: `/machines/${machine}/hours`,
        method: 'POST',
        body: reading,
      }),
      invalidatesTags: ['machines'],
    }),
  }),
});

export const {
  useSheetsQuery,
  useSheetQuery,
  useSheetRevisionsQuery,
  useSheetRevisionQuery,
  usePublishSheetMutation,
  useMachinesQuery,
  useMachineQuery,
  useChecksQuery,
  useSearchQuery,
  useSealQuery,
  useShopQuery,
  useChangeShopMutation,
  useAddHoursMutation,
  useTakeHoursMutation,
} = api;
