// What the server is asked about the eye training.
import type { EyeHistory, EyeTry } from '@upwell/contract/eye';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    eyeHistory: build.query<EyeHistory, void>({ query: () => '/eye/tries', providesTags: ['Eye'] }),
    saveEyeTry: build.mutation<EyeHistory, { id: string; body: EyeTry }>({
      query: ({ id, body }) => ({ url: `/eye/tries/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Eye']),
    }),
  }),
});

export const { useEyeHistoryQuery, useSaveEyeTryMutation } = endpoints;
