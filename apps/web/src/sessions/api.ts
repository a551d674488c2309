import type {
  ProposalQuery,
  SessionProposal,
  SessionQuery,
  SessionRow,
  SessionSave,
  SessionView,
} from '@upwell/contract/sessions';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    sessions: build.query<SessionRow[], SessionQuery>({
      query: (params) => ({ url: '/sessions', params: { ...params } }),
      providesTags: ['Session'],
    }),
    session: build.query<SessionView, string>({ query: (id) => `/sessions/${id}`, providesTags: ['Session'] }),
    proposal: build.query<SessionProposal, ProposalQuery>({
      query: ({ squadIds, date }) => {
        const params = new URLSearchParams({ date });
        squadIds.forEach((id) => params.append('squadIds', id));
        return `/sessions/proposal?${params.toString()}`;
      },
      providesTags: ['Swimmer', 'Session'],
    }),
    saveSession: build.mutation<SessionView, { id: string; body: SessionSave }>({
      query: ({ id, body }) => ({ url: `/sessions/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Session', 'Deck']),
    }),
  }),
});

export const { useSessionsQuery, useSessionQuery, useProposalQuery, useSaveSessionMutation } = endpoints;
