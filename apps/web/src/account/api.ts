import type { Me, SignIn } from '@upwell/contract/account';
import type { ArchiveTaken } from '@upwell/contract/archive';
import type { ClubRules } from '@upwell/contract/club';
import { WATER_RULES } from '@upwell/core/safety';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me | null, void>({ query: () => '/account/me', providesTags: ['Me'] }),
    signIn: build.mutation<Me, SignIn>({ query: (body) => ({ url: '/account/sign-in', method: 'POST', body }) }),
    clubRules: build.query<ClubRules, void>({
      query: () => '/account/club',
      // What this device kept before there were limits at the water has none.
      transformResponse: (rules: ClubRules) => ({ ...rules, water: { ...WATER_RULES, ...rules.water } }),
      providesTags: ['Club'],
    }),
    saveClubRules: build.mutation<ClubRules, ClubRules>({
      query: (body) => ({ url: '/account/club', method: 'PUT', body }),
      // Shown at once: a tap on a stepper must not wait for the network; a refusal puts it back.
      onQueryStarted: async (rules, { dispatch, queryFulfilled }) => {
        const shown = dispatch(endpoints.util.updateQueryData('clubRules', undefined, () => rules));
        await queryFulfilled.catch(() => shown.undo());
      },
      invalidatesTags: (_result, error) => (error ? [] : ['Club', 'Session']),
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
        error ? [] : ['Swimmer', 'Squad', 'Session', 'Deck', 'Outcome', 'Clip', 'Club', 'Records', 'Course'],
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/account/sign-out', method: 'POST' }) }),
  }),
});

export const {
  useMeQuery,
  useSignInMutation,
  useSignOutMutation,
  useClubRulesQuery,
  useSaveClubRulesMutation,
  useTakeArchiveMutation,
} = endpoints;
export const accountEndpoints = endpoints;
