import type { ClipSave, ClipView } from '@upwell/contract/clips';
import type { FocusSave, FocusView, ReviewSave, ReviewView, TryFields } from '@upwell/contract/review';
import type { DrillRecord } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    saveReview: build.mutation<ReviewView, { id: string; body: ReviewSave }>({
      query: ({ id, body }) => ({ url: `/reviews/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Deck', 'Outcome']),
    }),
    outcomes: build.query<DrillRecord[], LevelId>({
      query: (level) => ({ url: '/outcomes', params: { level } }),
      providesTags: ['Outcome'],
    }),
    saveFocus: build.mutation<FocusView, { id: string; body: FocusSave }>({
      query: ({ id, body }) => ({ url: `/focuses/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Deck']),
    }),
    addTry: build.mutation<FocusView, { focusId: string; id: string; body: TryFields }>({
      query: ({ focusId, id, body }) => ({ url: `/focuses/${focusId}/tries/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    takeBackTry: build.mutation<FocusView, { focusId: string; id: string }>({
      query: ({ focusId, id }) => ({ url: `/focuses/${focusId}/tries/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    clip: build.query<ClipView, string>({ query: (id) => `/clips/${id}`, providesTags: ['Clip'] }),
    saveClip: build.mutation<ClipView, { id: string; body: ClipSave }>({
      query: ({ id, body }) => ({ url: `/clips/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Clip']),
    }),
    deleteClip: build.mutation<void, string>({
      query: (id) => ({ url: `/clips/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
  }),
});

export const {
  useSaveReviewMutation,
  useOutcomesQuery,
  useSaveFocusMutation,
  useAddTryMutation,
  useTakeBackTryMutation,
  useClipQuery,
  useSaveClipMutation,
  useDeleteClipMutation,
} = endpoints;
