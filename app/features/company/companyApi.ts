import type { Company, CompanyMove, CompanySheets } from '@longbar/core';
import { CompanySchema, CompanySheetsSchema } from '@longbar/core';
import { api } from '../../state/api';
import { tellsOf } from '../../state/unanswered';

/** The shops of the company that is run from this one, which only their page asks for. */
const companyApi = api.enhanceEndpoints({ addTagTypes: ['company'] }).injectEndpoints({
  endpoints: (build) => ({
    company: build.query<Company, void>({
      query: () => '/company',
      responseSchema: CompanySchema,
      providesTags: tellsOf('company', 'machines'),
    }),
    moveMachine: build.mutation<Company, CompanyMove>({
      query: (body) => ({ url: '/company/moves', method: 'POST', body }),
      responseSchema: CompanySchema,
      invalidatesTags: (_company, error) => (error ? [] : ['company', 'machines', 'sheets']),
    }),
    companySheets: build.query<CompanySheets, void>({
      query: () => '/company/sheets',
      responseSchema: CompanySheetsSchema,
      providesTags: tellsOf('company', 'sheets'),
    }),
    offerSheet: build.mutation<CompanySheets, { id: string; offered: boolean }>({
      query: ({ id, ...body }) => ({ url: `/company/sheets/${id}`, method: 'PUT', body }),
      responseSchema: CompanySheetsSchema,
      invalidatesTags: (_sheets, error) => (error ? [] : ['company']),
    }),
    takeSheet: build.mutation<CompanySheets, string>({
      query: (id) => ({ url: `/company/sheets/${id}`, method: 'POST', body: {} }),
      responseSchema: CompanySheetsSchema,
      invalidatesTags: (_sheets, error) => (error ? [] : ['company', 'sheets', 'machines']),
    }),
  }),
});

export const {
  useCompanyQuery,
  useCompanySheetsQuery,
  useMoveMachineMutation,
  useOfferSheetMutation,
  useTakeSheetMutation,
} = companyApi;
