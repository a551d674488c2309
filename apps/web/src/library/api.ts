// What the server is asked about the club's own library.
import type { EntrySave, LibraryImport, LibraryView } from '@upwell/contract/library';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    library: build.query<LibraryView, void>({ query: () => '/library', providesTags: ['Library'] }),
    saveEntry: build.mutation<LibraryView, EntrySave>({
      query: (body) => ({ url: '/library/entry', method: 'PUT', body }),
      onQueryStarted: async (_entry, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (data) await dispatch(endpoints.util.upsertQueryData('library', undefined, data));
      },
      invalidatesTags: (_result, error) => (error ? [] : READ_IN_IT),
    }),
    importLibrary: build.mutation<LibraryView, LibraryImport>({
      query: (body) => ({ url: '/library/import', method: 'POST', body }),
      onQueryStarted: async (_file, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (data) await dispatch(endpoints.util.upsertQueryData('library', undefined, data));
      },
      invalidatesTags: (_result, error) => (error ? [] : READ_IN_IT),
    }),
  }),
});

/** What the server words or works out by the library, and who is signed in, which says its state. */
const READ_IN_IT = ['Me', 'Session', 'Deck', 'Race', 'Swimmer'] as const;

export const { useLibraryQuery, useSaveEntryMutation, useImportLibraryMutation } = endpoints;
export const libraryEndpoints = endpoints;
