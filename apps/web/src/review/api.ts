// What the server is asked about reviews, focuses, tries and clips.
import type { ClipSave, ClipStills, ClipView, StillsSave } from '@upwell/contract/clips';
import type { FocusSave, FocusView, ReviewSave, ReviewView, TryFields } from '@upwell/contract/review';
import { causeCard, type DrillRecord } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import type { SwimmerPage } from '@upwell/contract/swimmers';
import { api, type Waits } from '@/api/api';
import { keptPage, patchPage } from '@/offline';

const lastPart = (path: string) => path.slice(path.lastIndexOf('/') + 1);
const pageOf = (swimmerId: string) => `/swimmers/${swimmerId}`;

/** A review that waits gives its focus at once; the causes are worked out again when it arrives. */
const reviewWaits: Waits = {
  label: (body: ReviewSave) => `Review: ${body.focus ? causeCard(body.focus.cause).name : 'a look'}`,
  shown: async (body: ReviewSave, path: string): Promise<ReviewView> => {
    const { version, writeId: _writeId, focus, relook, ...fields } = body;
    const view: ReviewView = {
      ...fields,
      id: lastPart(path),
      version: version + 1,
      coachName: 'you',
      ranking: [],
      focusCause: focus?.cause ?? null,
    };
    await patchPage<SwimmerPage>(pageOf(body.swimmerId), (page) => ({
      ...page,
      reviews: [view, ...page.reviews.filter((r) => r.id !== view.id)],
      focuses: [
        ...(focus ? [newFocus(focus, body, page, view.id)] : []),
        ...page.focuses
          .filter((f) => f.id !== focus?.id)
          .map((f) => (f.id === relook?.focusId ? { ...f, outcome: relook.outcome, closedAt: body.lookedAt } : f))
          // One focus at a time.
          .map((f) => (focus && f.outcome === null ? { ...f, closedAt: f.closedAt ?? body.lookedAt } : f)),
      ],
    }));
    return view;
  },
};

const newFocus = (
  focus: NonNullable<ReviewSave['focus']>,
  { swimmerId, lookedAt }: ReviewSave,
  page: SwimmerPage,
  reviewId: string,
): FocusView => ({
  ...focus,
  swimmerId,
  swimmerName: `${page.givenName} ${page.familyName}`,
  since: lookedAt,
  outcome: null,
  closedAt: null,
  reviewId,
  version: 1,
  saidBack: '',
  felt: '',
  triesMade: [],
});

/** Changes the focus on the swimmer's kept page and answers it. */
async function patchFocus(swimmerId: string, id: string, change: (focus: FocusView) => FocusView): Promise<unknown> {
  await patchPage<SwimmerPage>(pageOf(swimmerId), (page) => ({
    ...page,
    focuses: page.focuses.map((f) => (f.id === id ? change(f) : f)),
  }));
  const page = (await keptPage(pageOf(swimmerId))) as SwimmerPage | undefined;
  return page?.focuses.find((f) => f.id === id) ?? null;
}

const focusWaits: Waits = {
  label: () => 'Focus',
  shown: ({ writeId: _writeId, version, cue, tries, ...fields }: FocusSave, path, swimmerId) =>
    patchFocus(swimmerId, lastPart(path), (focus) => ({
      ...focus,
      ...fields,
      cue: cue ?? focus.cue,
      tries: tries ?? focus.tries,
      version: version + 1,
    })),
};

/** `/focuses/<focus>/tries/<try>` */
const tryIn = (path: string) => ({ focus: path.split('/')[2]!, id: lastPart(path) });

const tryWaits: Waits = {
  label: (body: TryFields) => `Try: ${body.verdict}`,
  shown: (body: TryFields, path, swimmerId) =>
    patchFocus(swimmerId, tryIn(path).focus, (focus) => ({
      ...focus,
      triesMade: [...focus.triesMade.filter((t) => t.id !== tryIn(path).id), { id: tryIn(path).id, ...body }],
    })),
};

const untryWaits: Waits = {
  label: () => 'Taking a try back',
  shown: (_body, path, swimmerId) =>
    patchFocus(swimmerId, tryIn(path).focus, (focus) => ({
      ...focus,
      triesMade: focus.triesMade.filter((t) => t.id !== tryIn(path).id),
    })),
};

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    saveReview: build.mutation<ReviewView, { id: string; body: ReviewSave }>({
      query: ({ id, body }) => ({ url: `/reviews/${id}`, method: 'PUT', body }),
      extraOptions: { waits: reviewWaits },
      // A second look has taught the club something.
      invalidatesTags: (_result, error, { body }) =>
        error ? [] : ['Swimmer', 'Deck', 'Outcome', ...(body.relook ? (['Library'] as const) : [])],
    }),
    outcomes: build.query<DrillRecord[], LevelId>({
      query: (level) => ({ url: '/outcomes', params: { level } }),
      providesTags: ['Outcome'],
    }),
    saveFocus: build.mutation<FocusView, { id: string; swimmerId: string; body: FocusSave }>({
      query: ({ id, swimmerId, body }) => ({ url: `/focuses/${id}`, method: 'PUT', body, about: swimmerId }),
      extraOptions: { waits: focusWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Deck']),
    }),
    addTry: build.mutation<FocusView, { focusId: string; swimmerId: string; id: string; body: TryFields }>({
      query: ({ focusId, swimmerId, id, body }) => ({
        url: `/focuses/${focusId}/tries/${id}`,
        method: 'PUT',
        body,
        about: swimmerId,
      }),
      extraOptions: { waits: tryWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    takeBackTry: build.mutation<FocusView, { focusId: string; swimmerId: string; id: string }>({
      query: ({ focusId, swimmerId, id }) => ({
        url: `/focuses/${focusId}/tries/${id}`,
        method: 'DELETE',
        about: swimmerId,
      }),
      extraOptions: { waits: untryWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer']),
    }),
    clip: build.query<ClipView, string>({ query: (id) => `/clips/${id}`, providesTags: ['Clip'] }),
    saveClip: build.mutation<ClipView, { id: string; body: ClipSave }>({
      query: ({ id, body }) => ({ url: `/clips/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Clip']),
    }),
    deleteClip: build.mutation<void, string>({
      query: (id) => ({ url: `/clips/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Still']),
    }),
    stills: build.query<ClipStills, string>({ query: (id) => `/clips/${id}/stills`, providesTags: ['Still'] }),
    putStills: build.mutation<ClipStills, { id: string; body: StillsSave }>({
      query: ({ id, body }) => ({ url: `/clips/${id}/stills`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Still']),
    }),
    takeBackStills: build.mutation<void, string>({
      query: (id) => ({ url: `/clips/${id}/stills`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Swimmer', 'Still']),
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
  useStillsQuery,
  usePutStillsMutation,
  useTakeBackStillsMutation,
} = endpoints;
