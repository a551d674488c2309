// What the server is asked about the own account and the club.
import { deviceZone } from '@upwell/core/days';
import type { Me, PasswordChange, SignIn, SignInView } from '@upwell/contract/account';
import type { ArchiveTaken } from '@upwell/contract/archive';
import type { ClubRulesSave, ClubRulesView } from '@upwell/contract/club';
import type { SetupBegin, SetupView } from '@upwell/contract/setup';
import { WATER_RULES } from '@upwell/core/safety';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me | null, void>({ query: () => '/account/me', providesTags: ['Me'] }),
    signIn: build.mutation<Me, SignIn>({ query: (body) => ({ url: '/account/sign-in', method: 'POST', body }) }),
    setup: build.query<SetupView, void>({ query: () => '/setup', keepUnusedDataFor: 0 }),
    begin: build.mutation<Me, SetupBegin>({ query: (body) => ({ url: '/setup', method: 'POST', body }) }),
    changePassword: build.mutation<null, PasswordChange>({
      query: (body) => ({ url: '/account/password', method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['SignIn']),
    }),
    signIns: build.query<SignInView[], void>({ query: () => '/account/sign-ins', providesTags: ['SignIn'] }),
    endSignIn: build.mutation<null, string | null>({
      query: (id) => ({ url: id === null ? '/account/sign-ins' : `/account/sign-ins/${id}`, method: 'DELETE' }),
      invalidatesTags: ['SignIn'],
    }),
    clubRules: build.query<ClubRulesView, void>({
      query: () => '/account/club',
      // What this device kept before there were limits at the water, or versions, has none.
      transformResponse: (rules: ClubRulesView) => ({
        ...{ name: '', timeZone: deviceZone(), units: 'm' as const },
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
      // Everybody's clock and units may be others now.
      invalidatesTags: (_result, error) => (error ? [] : ['Session', 'Me', 'Deck']),
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
        error
          ? []
          : ['Swimmer', 'Squad', 'Session', 'Deck', 'Outcome', 'Clip', 'Club', 'Records', 'Course', 'Reading', 'Race'],
    }),
  }),
});

export const {
  useMeQuery,
  useSignInMutation,
  useSetupQuery,
  useBeginMutation,
  useChangePasswordMutation,
  useSignInsQuery,
  useEndSignInMutation,
  useClubRulesQuery,
  useSaveClubRulesMutation,
  useTakeArchiveMutation,
} = endpoints;
export const accountEndpoints = endpoints;
