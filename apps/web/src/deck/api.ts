import type { DeckToday } from '@upwell/contract/deck';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    today: build.query<DeckToday, string>({
      query: (date) => ({ url: '/deck/today', params: { date } }),
      providesTags: ['Deck'],
    }),
  }),
});

export const { useTodayQuery } = endpoints;
