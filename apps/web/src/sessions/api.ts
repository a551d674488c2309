import { withZone } from '@/api/withZone';
import type { DeckPack } from '@upwell/contract/deck';
import type {
  LoadView,
  ProposalQuery,
  SeriesChange,
  SeriesChanged,
  SeriesRemoval,
  SessionFields,
  SessionPerson,
  SessionProposal,
  SessionQuery,
  SessionRow,
  SessionSave,
  SessionView,
} from '@upwell/contract/sessions';
import { api, type Waits } from '@/api/api';
import { keepPage, keptZone, patchPage } from '@/offline';

/** A session that waits is shown as it will be: on its own page and on the deck. */
const sessionWaits: Waits = {
  label: (body: SessionSave) => `Session “${body.title}”`,
  shown: async (body: SessionSave, path: string): Promise<SessionView> => {
    const { version, writeId: _writeId, ...fields } = body;
    const timeZone = await (body.courseId ? keptZone(`/courses/${body.courseId}`) : keptZone());
    const id = path.slice(path.lastIndexOf('/') + 1);
    const view: SessionView = { ...fields, id, timeZone, version: version + 1 };
    await keepPage(path, view);
    await patchPage<DeckPack>(`/deck/packs/${view.id}`, (pack) => ({ ...pack, session: view }));
    return view;
  },
};

/** Whatever shows many sessions: what was taken out is not asked for again. */
const LIST = { type: 'Session', id: 'LIST' } as const;

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    sessions: build.query<SessionRow[], SessionQuery>({
      query: (params) => ({ url: '/sessions', params: { ...params } }),
      transformResponse: (rows: SessionRow[]) => rows.map(withZone),
      providesTags: [LIST],
    }),
    session: build.query<SessionView, string>({
      query: (id) => `/sessions/${id}`,
      transformResponse: withZone<SessionView>,
      providesTags: ['Session'],
    }),
    proposal: build.query<SessionProposal, ProposalQuery>({
      query: ({ squadIds, date }) => {
        const params = new URLSearchParams({ date });
        squadIds.forEach((id) => params.append('squadIds', id));
        return `/sessions/proposal?${params.toString()}`;
      },
      providesTags: ['Swimmer', LIST],
    }),
    sessionPeople: build.query<SessionPerson[], string>({
      query: (id) => `/sessions/${id}/people`,
      providesTags: ['Swimmer', 'Session'],
    }),
    // Everybody who could come, with the guests that are thought of.
    everybody: build.query<SessionPerson[], { readonly id: string; readonly guests: readonly string[] }>({
      query: ({ id, guests }) => {
        const params = new URLSearchParams({ everybody: 'true' });
        guests.forEach((guest) => params.append('guests', guest));
        return `/sessions/${id}/people?${params.toString()}`;
      },
      providesTags: ['Swimmer', 'Session'],
    }),
    load: build.query<LoadView, string>({
      query: (date) => ({ url: '/load', params: { date } }),
      providesTags: [LIST, 'Swimmer'],
    }),
    removeSession: build.mutation<{ removed: true }, SeriesRemoval & { readonly id: string }>({
      query: ({ id, ...params }) => ({ url: `/sessions/${id}`, method: 'DELETE', params }),
      invalidatesTags: (_result, error) => (error ? [] : [LIST, 'Deck']),
    }),
    changeSeries: build.mutation<SeriesChanged, { readonly id: string; readonly body: SeriesChange }>({
      query: ({ id, body }) => ({ url: `/sessions/${id}/series`, method: 'POST', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Session', 'Deck']),
    }),
    saveSession: build.mutation<SessionView, { id: string; body: SessionSave; base?: SessionFields | undefined }>({
      query: ({ id, body, base }) => ({ url: `/sessions/${id}`, method: 'PUT', body, base }),
      extraOptions: { waits: sessionWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Session', 'Deck']),
    }),
  }),
});

export const {
  useSessionsQuery,
  useSessionQuery,
  useLazySessionQuery,
  useProposalQuery,
  useSaveSessionMutation,
  useEverybodyQuery,
  useSessionPeopleQuery,
  useLoadQuery,
  useRemoveSessionMutation,
  useChangeSeriesMutation,
} = endpoints;
