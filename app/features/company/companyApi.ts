import type { Company, CompanyMove } from '@longbar/core';
import { CompanySchema } from '@longbar/core';
import { api } from '../../state/api';

/** The shops of the company that is run from this one, which only their page asks for. */
const companyApi = api.enhanceEndpoints({ addTagTypes: ['company'] }).injectEndpoints({
  endpoints: (build) => ({
    company: build.query<Company, void>({
      query: () => '/company',
      responseSchema: CompanySchema,
      providesTags: ['company', 'machines'],
    }),
    moveMachine: build.mutation<Company, CompanyMove>({
      query: (body) => ({ url: '/company/moves', method: 'POST', body }),
      responseSchema: CompanySchema,
      invalidatesTags: (_company, error) => (error ? [] : ['company', 'machines', 'sheets']),
    }),
  }),
});

export const { useCompanyQuery, useMoveMachineMutation } = companyApi;
