// What the server is asked about clips that swimmers send in.
import type { SentAnswer, SentAsk, SentClip } from '@upwell/contract/sent';
import type { Href } from 'expo-router';
import { api, type Waits } from '@/api/api';
import { keptPage, patchPage } from '@/offline';

/** Where a clip that was sent in is looked at and answered. */
export const lookAtSent = ({ id, swimmerId }: SentClip): Href => `/swimmers/${swimmerId}/clip?sent=${id}` as Href;

const ALL = '/sent-clips';
const idIn = (path: string) => path.split('/')[2]!;

/** Changes a clip on the kept list, and answers it. */
async function patched(path: string, change: (clip: SentClip) => SentClip): Promise<unknown> {
  await patchPage<readonly SentClip[]>(ALL, (all) => all.map((c) => (c.id === idIn(path) ? change(c) : c)));
  return ((await keptPage(ALL)) as readonly SentClip[] | undefined)?.find((c) => c.id === idIn(path)) ?? null;
}

const askWaits: Waits = {
  label: () => 'Asking for a clip',
  shown: async (body: SentAsk, path, swimmerName) => {
    const clip: SentClip = {
      ...{ ...body, id: idIn(path), swimmerName, askedBy: 'you', askedAt: new Date().toISOString() },
      ...{ type: null, seconds: null, bytes: null, sentAt: null, answeredAt: null, words: '', voice: false, pieces: 0 },
    };
    await patchPage<readonly SentClip[]>(ALL, (all) => [clip, ...all], []);
    return clip;
  },
};

const answerWaits: Waits = {
  label: () => 'Answer to a clip',
  shown: ({ words, voice }: SentAnswer, path) =>
    patched(path, (clip) => ({ ...clip, words, voice: voice !== null, answeredAt: new Date().toISOString() })),
};

const removeWaits: Waits = {
  label: () => 'Deleting a clip that was sent in',
  shown: async (_body, path) => {
    await patchPage<readonly SentClip[]>(ALL, (all) => all.filter((c) => c.id !== idIn(path)));
    return null;
  },
};

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    sentClips: build.query<SentClip[], void>({ query: () => ALL, providesTags: ['Sent'] }),
    askForClip: build.mutation<SentClip, { id: string; swimmerName: string; body: SentAsk }>({
      query: ({ id, swimmerName, body }) => ({ url: `${ALL}/${id}`, method: 'PUT', body, about: swimmerName }),
      extraOptions: { waits: askWaits },
      invalidatesTags: ['Sent'],
    }),
    answerClip: build.mutation<SentClip, { id: string; body: SentAnswer }>({
      query: ({ id, body }) => ({ url: `${ALL}/${id}/answer`, method: 'PUT', body }),
      extraOptions: { waits: answerWaits },
      invalidatesTags: ['Sent'],
    }),
    removeSent: build.mutation<null, string>({
      query: (id) => ({ url: `${ALL}/${id}`, method: 'DELETE' }),
      extraOptions: { waits: removeWaits },
      invalidatesTags: ['Sent'],
    }),
  }),
});

export const { useSentClipsQuery, useAskForClipMutation, useAnswerClipMutation, useRemoveSentMutation } = endpoints;
