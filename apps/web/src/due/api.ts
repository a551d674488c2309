// What the server knows to be due on a day.
import type { DeckToday } from '@upwell/contract/deck';
import { api } from '@/api/api';
import { withZone } from '@/api/withZone';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    today: build.query<DeckToday, string>({
      query: (date) => ({ url: '/deck/today', params: { date } }),
      transformResponse: (day: DeckToday) => ({ ...day, sessions: day.sessions.map(withZone) }),
      providesTags: ['Deck'],
    }),
  }),
});

export const { useTodayQuery } = endpoints;
