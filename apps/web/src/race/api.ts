import { withZone } from '@/api/withZone';
import type {
  JobView,
  MyWeek,
  RacePlanSave,
  RacePlanView,
  RatingSave,
  SeasonPage,
  SeasonQuery,
} from '@upwell/contract/race';
import { api, type Waits } from '@/api/api';
import { patchPage } from '@/offline';

/** A plan that waits shows its choices at once; the weeks are worked out from them on the device as well. */
const planWaits: Waits = {
  label: () => 'Race plan',
  shown: async (body: RacePlanSave, path: string): Promise<void> => {
    await patchPage<RacePlanView>(path, (page) => ({
      ...page,
      choices: body.choices,
      version: body.version + 1,
    }));
  },
};

const ratingWaits: Waits = {
  label: () => 'How a session felt',
  shown: async (body: RatingSave, path: string): Promise<void> => {
    const id = path.split('/')[2];
    await patchPage<MyWeek>('/my-week', (page) => ({
      ...page,
      sessions: page.sessions.map((s) => (s.id === id ? { ...s, rating: body.value } : s)),
    }));
  },
};

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    racePlan: build.query<RacePlanView, string>({
      query: (id) => `/swimmers/${id}/race-plan`,
      providesTags: ['Race'],
    }),
    saveRacePlan: build.mutation<RacePlanView, { id: string; body: RacePlanSave }>({
      query: ({ id, body }) => ({ url: `/swimmers/${id}/race-plan`, method: 'PUT', body }),
      extraOptions: { waits: planWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Race', 'Deck']),
    }),
    season: build.infiniteQuery<SeasonPage, Omit<SeasonQuery, 'cursor'>, string | null>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      query: ({ queryArg, pageParam }) => ({
        url: '/season',
        params: { ...queryArg, ...(pageParam ? { cursor: pageParam } : {}) },
      }),
      providesTags: ['Race'],
    }),
    planAll: build.mutation<JobView, string>({
      query: (date) => ({ url: '/season/plan', method: 'POST', params: { date } }),
    }),
    job: build.query<JobView, string>({ query: (id) => `/jobs/${id}` }),
    stopJob: build.mutation<JobView, string>({ query: (id) => ({ url: `/jobs/${id}/stop`, method: 'POST' }) }),
    myWeek: build.query<MyWeek, void>({
      query: () => '/my-week',
      transformResponse: (week: MyWeek) => ({ ...week, sessions: week.sessions.map(withZone) }),
      providesTags: ['Race'],
    }),
    rateSession: build.mutation<unknown, { id: string; body: RatingSave }>({
      query: ({ id, body }) => ({ url: `/sessions/${id}/rating`, method: 'PUT', body }),
      extraOptions: { waits: ratingWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Race']),
    }),
  }),
});

export const {
  useRacePlanQuery,
  useSaveRacePlanMutation,
  useSeasonInfiniteQuery,
  usePlanAllMutation,
  useJobQuery,
  useStopJobMutation,
  useMyWeekQuery,
  useRateSessionMutation,
} = endpoints;
