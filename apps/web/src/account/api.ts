import type { Me, SignIn } from '@upwell/contract/account';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    me: build.query<Me | null, void>({ query: () => '/account/me', providesTags: ['Me'] }),
    signIn: build.mutation<Me, SignIn>({ query: (body) => ({ url: '/account/sign-in', method: 'POST', body }) }),
    signOut: build.mutation<void, void>({ query: () => ({ url: '/account/sign-out', method: 'POST' }) }),
  }),
});

export const { useMeQuery, useSignInMutation, useSignOutMutation } = endpoints;
export const accountEndpoints = endpoints;
