import type {
  Backups,
  EngineSheet,
  Finding,
  Found,
  HoursFile,
  HoursFound,
  HoursCorrection,
  JobCheck,
  MachineDetail,
  AuditLine,
  MachineLine,
  PracticeLine,
  EnterDemo,
  Me,
  Pair,
  Pairing,
  PairingPost,
  Person,
  PersonPatch,
  Rebuild,
  SheetDetail,
  SheetLine,
  Seal,
  SheetRevision,
  SheetsImport,
  SheetsReport,
  NameHere,
  NewShare,
  Share,
  SharePost,
  Shop,
  ShopHere,
} from '@longbar/core';
import {
  AuditSchema,
  BackupsSchema,
  CalendarSchema,
  ChecksSchema,
  FoundSchema,
  HealthSchema,
  HoursFoundSchema,
  ignore,
  MachineDetailSchema,
  MachineLinesSchema,
  PracticeSchema,
  MeSchema,
  NamesSchema,
  PairingSchema,
  PeopleSchema,
  NewShareSchema,
  SealSchema,
  SharesSchema,
  SheetDetailSchema,
  SheetLinesSchema,
  SheetRevisionsSchema,
  SheetsReportSchema,
  ShopHereSchema,
} from '@longbar/core';
import { API } from '../api/request';
import type { Dispatch } from '@reduxjs/toolkit';
import { createApi } from '@reduxjs/toolkit/query/react';
import type * as v from 'valibot';
import { keepingAnswers } from './keptAnswers';
import { preferencesChanged } from './preferences';
import { tellsOf, UNANSWERED } from './unanswered';

type ShopAsked = {
  dispatch: Dispatch;
  queryFulfilled: Promise<{ data: ShopHere }>;
};

/** The phone shows figures by the shop's units from its answer on. */
async function learnUnits(_asked: unknown, { dispatch, queryFulfilled }: ShopAsked): Promise<void> {
  const answer = await queryFulfilled.catch(ignore('who asked for it is told'));
  if (answer) dispatch(preferencesChanged({ units: answer.data.units ?? null }));
}

/** A whole shop is written: on a small server that takes its time, ms. */
const WHOLE_SHOP_WITHIN = 600_000;

/** What the server owns: machines, their hours, the shop. Answers are checked at this edge. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: keepingAnswers(API),
  tagTypes: [
    ...(['calendar', 'machines', 'people', 'practice', 'records', 'sheets', 'shop'] as const),
    UNANSWERED,
  ],
  endpoints: (build) => ({
    machines: build.query<MachineLine[], void>({
      query: () => '/machines',
      responseSchema: MachineLinesSchema,
      providesTags: tellsOf('machines'),
    }),
    machine: build.query<MachineDetail, string>({
      query: (id) => `/machines/${id}`,
      responseSchema: MachineDetailSchema,
      providesTags: tellsOf('machines'),
    }),
    /** Of no tag: what the last check tells is changed by no tap of the next job. */
    findings: build.query<Finding[], string>({
      query: (id) => `/machines/${id}`,
      rawResponseSchema: MachineDetailSchema,
      transformResponse: ({ findings }: MachineDetail) => findings,
      providesTags: tellsOf(),
    }),
    checks: build.query<JobCheck[], string>({
      query: (id) => `/machines/${id}/checks`,
      responseSchema: ChecksSchema,
      providesTags: tellsOf('machines'),
    }),
    practice: build.query<PracticeLine[], void>({
      query: () => '/practice',
      responseSchema: PracticeSchema,
      providesTags: tellsOf('practice'),
    }),
    sheets: build.query<SheetLine[], void>({
      query: () => '/sheets',
      responseSchema: SheetLinesSchema,
      providesTags: tellsOf('sheets'),
    }),
    sheet: build.query<SheetDetail, string>({
      query: (id) => `/sheets/${id}`,
      responseSchema: SheetDetailSchema,
      providesTags: tellsOf('sheets'),
    }),
    sheetRevisions: build.query<SheetRevision[], string>({
      query: (id) => `/sheets/${id}/revisions`,
      responseSchema: SheetRevisionsSchema,
      providesTags: tellsOf('sheets'),
    }),
    sheetRevision: build.query<SheetDetail, { id: string; revision: number }>({
      query: ({ id, revision }) => `/sheets/${id}/revisions/${revision}`,
      responseSchema: SheetDetailSchema,
      providesTags: tellsOf(),
    }),
    retiredSheets: build.query<SheetLine[], void>({
      query: () => '/sheets?retired=1',
      responseSchema: SheetLinesSchema,
      providesTags: tellsOf('sheets'),
    }),
    patchSheet: build.mutation<SheetDetail, { id: string; retired: boolean }>({
      query: ({ id, ...body }) => ({ url: `/sheets/${id}`, method: 'PATCH', body }),
      responseSchema: SheetDetailSchema,
      invalidatesTags: (_sheet, error) => (error ? [] : ['sheets']),
    }),
    importSheets: build.mutation<SheetsReport, SheetsImport>({
      query: (body) => ({ url: '/sheets/file', method: 'POST', body }),
      responseSchema: SheetsReportSchema,
      // What was only looked at has changed nothing.
      invalidatesTags: (report) => (report?.taken ? ['sheets', 'machines'] : []),
    }),
    publishSheet: build.mutation<SheetDetail, { id: string; document: EngineSheet }>({
      query: (body) => ({ url: '/sheets', method: 'POST', body }),
      invalidatesTags: ['sheets', 'machines'],
    }),
    seal: build.query<Seal, string>({
      query: (job) => `/jobs/${job}/seal`,
      responseSchema: SealSchema,
      providesTags: tellsOf('records'),
    }),
    search: build.query<Found[], string>({
      query: (words) => `/search?q=${encodeURIComponent(words)}`,
      responseSchema: FoundSchema,
      providesTags: tellsOf(),
    }),
    shop: build.query<ShopHere, void>({
      query: () => '/shop',
      responseSchema: ShopHereSchema,
      providesTags: tellsOf('shop'),
      onQueryStarted: learnUnits,
    }),
    backups: build.query<Backups, void>({
      query: () => '/backups',
      responseSchema: BackupsSchema,
      providesTags: tellsOf(),
    }),
    changeShop: build.mutation<ShopHere, Shop>({
      query: (body) => ({ url: '/shop', method: 'PUT', body }),
      invalidatesTags: ['shop'],
      onQueryStarted: learnUnits,
    }),
    loadDemo: build.mutation<ShopHere, void>({
      query: () => ({ url: '/demo', method: 'POST', timeout: WHOLE_SHOP_WITHIN }),
    }),
    rebuildShop: build.mutation<ShopHere, Rebuild>({
      query: (body) => ({ url: '/shop/rebuild', method: 'POST', body, timeout: WHOLE_SHOP_WITHIN }),
      responseSchema: ShopHereSchema,
    }),
    removeDemo: build.mutation<ShopHere, void>({
      query: () => ({ url: '/demo', method: 'DELETE' }),
    }),
    takeHours: build.mutation<HoursFound, HoursFile>({
      query: (body) => ({ url: '/hours', method: 'POST', body }),
      responseSchema: HoursFoundSchema,
      // What was only looked at has changed nothing.
      invalidatesTags: (found) => (found?.taken ? ['machines'] : []),
    }),
    correctHours: build.mutation<
      MachineDetail,
      { machine: string; reading: string; right: HoursCorrection }
    >({
      query: ({ machine, reading, right }) => ({
        url: `/machines/${machine}/hours/${reading}`,
        method: 'PATCH',
        body: right,
      }),
      responseSchema: MachineDetailSchema,
      invalidatesTags: ['machines'],
    }),
    deleteMachine: build.mutation<null, string>({
      query: (id) => ({ url: `/machines/${id}`, method: 'DELETE' }),
      invalidatesTags: (_gone, error) => (error ? [] : ['machines', 'sheets']),
    }),
    me: build.query<Me, void>({
      query: () => '/me',
      responseSchema: MeSchema,
      providesTags: tellsOf('people'),
    }),
    /** Asked each time: whether the demo can be entered here is no answer to keep. */
    health: build.query<v.InferOutput<typeof HealthSchema>, void>({
      query: () => ({ url: '/health' }),
      responseSchema: HealthSchema,
      providesTags: tellsOf(),
    }),
    pair: build.mutation<Me, Pair>({
      query: (body) => ({ url: '/pair', method: 'POST', body }),
      responseSchema: MeSchema,
    }),
    enterDemo: build.mutation<Me, EnterDemo>({
      query: (body) => ({ url: '/demo/enter', method: 'POST', body }),
      responseSchema: MeSchema,
    }),
    names: build.query<NameHere[], void>({
      query: () => '/people/names',
      responseSchema: NamesSchema,
      providesTags: tellsOf('people'),
    }),
    setPin: build.mutation<null, string | null>({
      query: (pin) => ({ url: '/me/pin', method: 'PUT', body: { pin } }),
      invalidatesTags: (_pin, error) => (error ? [] : ['people']),
    }),
    audit: build.query<AuditLine[], void>({
      query: () => '/audit',
      responseSchema: AuditSchema,
      providesTags: tellsOf(),
    }),
    people: build.query<Person[], void>({
      query: () => '/people',
      responseSchema: PeopleSchema,
      providesTags: tellsOf('people'),
    }),
    beginPairing: build.mutation<Pairing, PairingPost>({
      query: (body) => ({ url: '/people/pairings', method: 'POST', body }),
      responseSchema: PairingSchema,
      invalidatesTags: (_pairing, error) => (error ? [] : ['people']),
    }),
    beginHelping: build.mutation<Pairing, string>({
      query: (job) => ({ url: `/jobs/${job}/helpers`, method: 'POST', body: {} }),
      responseSchema: PairingSchema,
    }),
    changePerson: build.mutation<Person[], { id: string; patch: PersonPatch }>({
      query: ({ id, patch }) => ({ url: `/people/${id}`, method: 'PATCH', body: patch }),
      responseSchema: PeopleSchema,
      invalidatesTags: (_people, error) => (error ? [] : ['people']),
    }),
    revokePhone: build.mutation<Person[], string>({
      query: (id) => ({ url: `/people/phones/${id}`, method: 'DELETE' }),
      responseSchema: PeopleSchema,
      invalidatesTags: (_people, error) => (error ? [] : ['people']),
    }),
    shares: build.query<Share[], string>({
      query: (job) => `/jobs/${job}/shares`,
      responseSchema: SharesSchema,
      providesTags: tellsOf('records'),
    }),
    shareRecord: build.mutation<NewShare, SharePost & { job: string }>({
      query: ({ job, ...body }) => ({ url: `/jobs/${job}/shares`, method: 'POST', body }),
      responseSchema: NewShareSchema,
      invalidatesTags: (_share, error) => (error ? [] : ['records']),
    }),
    endShare: build.mutation<Share[], { job: string; id: string }>({
      query: ({ job, id }) => ({ url: `/jobs/${job}/shares/${id}`, method: 'DELETE' }),
      responseSchema: SharesSchema,
      invalidatesTags: (_shares, error) => (error ? [] : ['records']),
    }),
    calendar: build.query<{ key: string }, void>({
      query: () => '/calendar',
      responseSchema: CalendarSchema,
      providesTags: tellsOf('calendar'),
    }),
    renewCalendar: build.mutation<{ key: string }, void>({
      query: () => ({ url: '/calendar', method: 'POST', body: {} }),
      responseSchema: CalendarSchema,
      invalidatesTags: (_key, error) => (error ? [] : ['calendar']),
    }),
    retiredMachines: build.query<MachineLine[], void>({
      query: () => '/machines?retired=1',
      responseSchema: MachineLinesSchema,
      providesTags: tellsOf('machines'),
    }),
  }),
});

export const {
  useAuditQuery,
  useBeginHelpingMutation,
  useBeginPairingMutation,
  useCalendarQuery,
  useChangePersonMutation,
  useEndShareMutation,
  useEnterDemoMutation,
  useFindingsQuery,
  useHealthQuery,
  useMeQuery,
  useNamesQuery,
  useSetPinMutation,
  usePairMutation,
  usePeopleQuery,
  usePracticeQuery,
  useRenewCalendarMutation,
  useRevokePhoneMutation,
  useSheetsQuery,
  useSheetQuery,
  useSheetRevisionsQuery,
  useSheetRevisionQuery,
  usePublishSheetMutation,
  useRetiredSheetsQuery,
  useBackupsQuery,
  usePatchSheetMutation,
  useImportSheetsMutation,
  useMachinesQuery,
  useMachineQuery,
  useChecksQuery,
  useSearchQuery,
  useSealQuery,
  useSharesQuery,
  useShareRecordMutation,
  useShopQuery,
  useChangeShopMutation,
  useRebuildShopMutation,
  useLoadDemoMutation,
  useRemoveDemoMutation,
  useCorrectHoursMutation,
  useDeleteMachineMutation,
  useRetiredMachinesQuery,
  useTakeHoursMutation,
} = api;
