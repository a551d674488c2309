import type { ThenAndNow } from '@upwell/contract/clips';
import type { Page } from '@upwell/contract/common';
import type {
  Coach,
  LadderMarkFields,
  Squad,
  SquadSave,
  Swimmer,
  SwimmerPage,
  SwimmerQuery,
  SwimmerRow,
  SwimmerSave,
} from '@upwell/contract/swimmers';
import type { LooksPage } from '@upwell/contract/looks';
import type { Erasing } from '@upwell/contract/person';
import { type Climb, ladderCard, marked, unmarked } from '@upwell/core/library';
import { ageYear, isChild } from '@upwell/core/swimmers';
import { api, type Waits } from '@/api/api';
import { keepPage, keptPage, patchPage } from '@/offline';

/** A swimmer who waits is shown as they will be. */
const swimmerWaits: Waits = {
  label: (body: SwimmerSave) => `${body.givenName} ${body.familyName}`,
  shown: async (body: SwimmerSave, path: string): Promise<Swimmer> => {
    const { version, writeId: _writeId, ...fields } = body;
    const before = (await keptPage(path)) as SwimmerPage | undefined;
    const swimmer: Swimmer = {
      squadName: before?.squadName ?? '',
      child: isChild(body.birthYear, ageYear()),
      ...fields,
      id: path.slice(path.lastIndexOf('/') + 1),
      version: version + 1,
    };
    // Somebody new has a page at once, still empty.
    const empty = { focuses: [], reviews: [], clips: [], results: [] };
    await keepPage(path, { ...empty, ...before, ...swimmer });
    return swimmer;
  },
};

/** `/swimmers/<swimmer>/ladder-marks/<mark>` */
const markIn = (path: string) => ({
  page: path.split('/').slice(0, 3).join('/'),
  id: path.slice(path.lastIndexOf('/') + 1),
});

/** A tap that waits shows on the kept page at once. */
async function climbed(path: string, step: (now: Climb) => Climb): Promise<unknown> {
  const { page } = markIn(path);
  await patchPage<SwimmerPage>(page, (kept) => ({ ...kept, ...step({ ...kept, ladderLog: kept.ladderLog ?? [] }) }));
  return keptPage(page);
}

const markWaits: Waits = {
  label: (body: LadderMarkFields) => `Ladder: ${ladderCard(body.ladder).name}`,
  shown: (body: LadderMarkFields, path) => climbed(path, (now) => marked(now, { ...body, id: markIn(path).id })),
};

const unmarkWaits: Waits = {
  label: () => 'Taking a tap at a ladder back',
  shown: (_body, path) => climbed(path, (now) => unmarked(now, markIn(path).id)),
};

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
    thenAndNow: build.query<ThenAndNow, string>({
      query: (id) => `/swimmers/${id}/stills`,
      providesTags: ['Still'],
    }),
    saveSwimmer: build.mutation<Swimmer, { id: string; body: SwimmerSave }>({
      query: ({ id, body }) => ({ url: `/swimmers/${id}`, method: 'PUT', body }),
      extraOptions: { waits: swimmerWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Squad', 'Deck', 'Still']),
    }),
    markLadder: build.mutation<SwimmerPage, { swimmerId: string; id: string; body: LadderMarkFields }>({
      query: ({ swimmerId, id, body }) => ({
        url: `/swimmers/${swimmerId}/ladder-marks/${id}`,
        method: 'PUT',
        body,
        about: swimmerId,
      }),
      extraOptions: { waits: markWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    takeBackMark: build.mutation<SwimmerPage, { swimmerId: string; id: string }>({
      query: ({ swimmerId, id }) => ({
        url: `/swimmers/${swimmerId}/ladder-marks/${id}`,
        method: 'DELETE',
        about: swimmerId,
      }),
      extraOptions: { waits: unmarkWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    looks: build.infiniteQuery<LooksPage, string | null, number | null>({
      infiniteQueryOptions: { initialPageParam: null, getNextPageParam: (last) => last.next },
      query: ({ queryArg, pageParam }) => ({
        url: '/looks',
        params: { ...(queryArg ? { swimmerId: queryArg } : {}), ...(pageParam ? { before: pageParam } : {}) },
      }),
      keepUnusedDataFor: 0,
    }),
    erasing: build.query<Erasing, string>({ query: (id) => `/swimmers/${id}/erasing`, keepUnusedDataFor: 0 }),
    // Not from the waiting list: it is done while somebody looks, or not at all.
    erasePerson: build.mutation<Erasing, string>({
      query: (id) => ({ url: `/swimmers/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) =>
        error ? [] : ['Swimmer', 'Squad', 'Session', 'Deck', 'Outcome', 'Clip', 'Records', 'Race', 'Link'],
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
  useThenAndNowQuery,
  useSaveSwimmerMutation,
  useMarkLadderMutation,
  useTakeBackMarkMutation,
  useLooksInfiniteQuery,
  useErasingQuery,
  useErasePersonMutation,
  useSquadsQuery,
  useSaveSquadMutation,
  useCoachesQuery,
} = endpoints;
