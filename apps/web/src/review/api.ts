import type { ReviewSave, ReviewView } from '@upwell/contract/review';
import type { CauseId, PastOutcome } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    saveReview: build.mutation<ReviewView, { id: string; body: ReviewSave }>({
      query: ({ id, body }) => ({ url: `/reviews/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Deck']),
    }),
    outcomes: build.query<Partial<Record<CauseId, PastOutcome>>, LevelId>({
      query: (level) => ({ url: '/outcomes', params: { level } }),
    }),
  }),
});

export const { useSaveReviewMutation, useOutcomesQuery } = endpoints;
