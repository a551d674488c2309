// What the server is asked about hand-outs and links to them.
import type { HandoutLink, HandoutLinkSave } from '@upwell/contract/handout';
import type { Handout } from '@upwell/core/handout';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    handout: build.query<Handout, string>({
      query: (focusId) => `/focuses/${focusId}/handout`,
      providesTags: ['Swimmer'],
    }),
    sharedHandout: build.query<Handout, string>({ query: (token) => `/handouts/${token}` }),
    handoutLinks: build.query<HandoutLink[], string>({
      query: (focusId) => ({ url: '/handout-links', params: { focusId } }),
      providesTags: ['Link'],
    }),
    makeLink: build.mutation<HandoutLink, { id: string; body: HandoutLinkSave }>({
      query: ({ id, body }) => ({ url: `/handout-links/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Link']),
    }),
    revokeLink: build.mutation<HandoutLink, string>({
      query: (id) => ({ url: `/handout-links/${id}/revoke`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Link']),
    }),
  }),
});

export const {
  useHandoutQuery,
  useSharedHandoutQuery,
  useHandoutLinksQuery,
  useMakeLinkMutation,
  useRevokeLinkMutation,
} = endpoints;
