import type { Page } from '@upwell/contract/common';
import type {
  Coach,
  Squad,
  SquadSave,
  Swimmer,
  SwimmerPage,
  SwimmerQuery,
  SwimmerRow,
  SwimmerSave,
} from '@upwell/contract/swimmers';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    swimmers: build.infiniteQuery<Page<SwimmerRow>, Omit<SwimmerQuery, 'cursor'>, string | null>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      query: ({ queryArg, pageParam }) => ({
        url: '/swimmers',
        params: { ...queryArg, ...(pageParam ? { cursor: pageParam } : {}) },
      }),
      providesTags: ['Swimmer'],
    }),
    swimmer: build.query<SwimmerPage, string>({ query: (id) => `/swimmers/${id}`, providesTags: ['Swimmer'] }),
    saveSwimmer: build.mutation<Swimmer, { id: string; body: SwimmerSave }>({
      query: ({ id, body }) => ({ url: `/swimmers/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Squad', 'Deck']),
    }),
    squads: build.query<Squad[], void>({ query: () => '/squads', providesTags: ['Squad'] }),
    saveSquad: build.mutation<Squad, { id: string; body: SquadSave }>({
      query: ({ id, body }) => ({ url: `/squads/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Squad', 'Swimmer']),
    }),
    coaches: build.query<Coach[], void>({ query: () => '/coaches' }),
  }),
});

export const {
  useSwimmersInfiniteQuery,
  useSwimmerQuery,
  useSaveSwimmerMutation,
  useSquadsQuery,
  useSaveSquadMutation,
  useCoachesQuery,
} = endpoints;
