// What the server is asked about accounts, invitations and new passwords.
import type { Me } from '@upwell/contract/account';
import type {
  AccountSave,
  AccountView,
  InvitationLook,
  InvitationMade,
  InvitationView,
  Invite,
  Join,
  LinkView,
  PasswordReset,
  ResetLook,
} from '@upwell/contract/people';
import { api } from '@/api/api';

const post = (url: string, body?: object) => ({ url, method: 'POST', ...(body ? { body } : {}) });

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    accounts: build.query<AccountView[], void>({ query: () => '/accounts', providesTags: ['People'] }),
    saveAccount: build.mutation<AccountView, { readonly id: string; readonly body: AccountSave }>({
      query: ({ id, body }) => ({ url: `/accounts/${id}`, method: 'PUT', body }),
      // Also after a clash: then the card shows what is stored now.
      invalidatesTags: ['People', 'Squad', 'Me'],
    }),
    makeResetLink: build.mutation<LinkView, string>({ query: (id) => post(`/accounts/${id}/reset-link`) }),
    invitations: build.query<InvitationView[], void>({ query: () => '/invitations', providesTags: ['People'] }),
    invite: build.mutation<InvitationMade, Invite>({
      query: (body) => post('/invitations', body),
      invalidatesTags: (_result, error) => (error ? [] : ['People']),
    }),
    takeBackInvitation: build.mutation<null, string>({
      query: (id) => ({ url: `/invitations/${id}`, method: 'DELETE' }),
      invalidatesTags: ['People'],
    }),
    // Asked with a secret, so it stands in no address.
    lookAtInvitation: build.mutation<InvitationLook, string>({
      query: (token) => post('/invitations/look', { token }),
    }),
    join: build.mutation<Me, Join>({ query: (body) => post('/invitations/accept', body) }),
    lookAtReset: build.mutation<ResetLook, string>({ query: (token) => post('/account/reset/look', { token }) }),
    resetPassword: build.mutation<null, PasswordReset>({ query: (body) => post('/account/reset', body) }),
  }),
});

export const {
  useAccountsQuery,
  useSaveAccountMutation,
  useMakeResetLinkMutation,
  useInvitationsQuery,
  useInviteMutation,
  useTakeBackInvitationMutation,
  useLookAtInvitationMutation,
  useJoinMutation,
  useLookAtResetMutation,
  useResetPasswordMutation,
} = endpoints;
