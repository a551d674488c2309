import type { Me, SignIn } from '@upwell/contract/account';
import type { ArchiveTaken } from '@upwell/contract/archive';
import type { ClubRulesSave, ClubRulesView } from '@upwell/contract/club';
import { WATER_RULES } from '@upwell/core/safety';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me | null, void>({ query: () => '/account/me', providesTags: ['Me'] }),
    signIn: build.mutation<Me, SignIn>({ query: (body) => ({ url: '/account/sign-in', method: 'POST', body }) }),
    clubRules: build.query<ClubRulesView, void>({
      query: () => '/account/club',
      // What this device kept before there were limits at the water, or versions, has none.
      transformResponse: (rules: ClubRulesView) => ({
        ...rules,
        version: rules.version ?? 0,
        water: { ...WATER_RULES, ...rules.water },
      }),
      providesTags: ['Club'],
    }),
    saveClubRules: build.mutation<ClubRulesView, ClubRulesSave>({
      query: (body) => ({ url: '/account/club', method: 'PUT', body }),
      onQueryStarted: async (_rules, { dispatch, queryFulfilled }) => {
        const { data } = await queryFulfilled.catch(() => ({ data: null }));
        if (data) dispatch(endpoints.util.updateQueryData('clubRules', undefined, () => data));
      },
      invalidatesTags: (_result, error) => (error ? [] : ['Session']),
    }),
    // Any number of rows is checked there first; sending it again adds nothing twice.
    takeArchive: build.mutation<ArchiveTaken, File>({
      query: (body) => ({
        url: '/club/archive',
        method: 'POST',
        body,
        headers: { 'content-type': 'application/json' },
        timeout: 300_000,
      }),
      invalidatesTags: (_result, error) =>
        error ? [] : ['Swimmer', 'Squad', 'Session', 'Deck', 'Outcome', 'Clip', 'Club', 'Records', 'Course', 'Race'],
    }),
  }),
});

export const { useMeQuery, useSignInMutation, useClubRulesQuery, useSaveClubRulesMutation, useTakeArchiveMutation } =
  endpoints;
export const accountEndpoints = endpoints;
