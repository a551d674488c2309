// What the server is asked about lists of swimmers.
import type { RosterAsk, RosterCommit, RosterDone, RosterImport, RosterPreview } from '@upwell/contract/roster';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    previewRoster: build.mutation<RosterPreview, RosterAsk>({
      query: (body) => ({ url: '/roster/preview', method: 'POST', body, timeout: 60_000 }),
    }),
    commitRoster: build.mutation<RosterDone, RosterCommit>({
      query: (body) => ({ url: '/roster/commit', method: 'POST', body, timeout: 60_000 }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Squad', 'Deck', 'Session']),
    }),
    rosters: build.query<RosterImport[], void>({ query: () => '/roster', providesTags: ['Swimmer'] }),
    undoRoster: build.mutation<RosterImport, string>({
      query: (id) => ({ url: `/roster/${id}/undo`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Squad', 'Deck', 'Session']),
    }),
  }),
});

export const { usePreviewRosterMutation, useCommitRosterMutation, useRostersQuery, useUndoRosterMutation } = endpoints;
