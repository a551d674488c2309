// What the server is asked on deck: everything a session needs.
import { withZone } from '@/api/withZone';
import type { DeckPack } from '@upwell/contract/deck';
import { api } from '@/api/api';
import { keepPage } from '@/offline';
import { storageFull } from '@/state/offline';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    pack: build.query<DeckPack, string>({
      query: (id) => `/deck/packs/${id}`,
      transformResponse: (pack: DeckPack) => ({ ...pack, session: withZone(pack.session) }),
      providesTags: ['Session', 'Swimmer'],
    }),
    /** Everything for the day, kept one by one, so that each session opens without a network. */
    packs: build.query<DeckPack[], string>({
      query: (date) => ({ url: '/deck/packs', params: { date } }),
      providesTags: ['Session', 'Swimmer'],
      onQueryStarted: async (_date, { dispatch, queryFulfilled }) => {
        // Without a network what was kept before is still there.
        const answered = await queryFulfilled.catch(() => null);
        try {
          for (const pack of answered?.data ?? []) {
            await keepPage(`/deck/packs/${pack.session.id}`, pack);
            await keepPage(`/sessions/${pack.session.id}`, pack.session);
          }
        } catch {
          // Said at once by the line at the top; what is on the screen stays.
          dispatch(storageFull(true));
        }
      },
    }),
  }),
});

export const { usePackQuery, usePacksQuery } = endpoints;
export const deckEndpoints = endpoints;
