// What the server is asked about results, tests and imports.
import type {
  ClubResult,
  ImportView,
  RecordsView,
  ResultSave,
  ResultsPage,
  ResultsQuery,
  TestSave,
  TestView,
} from '@upwell/contract/records';
import { SWIM_TEST, testOutcome } from '@upwell/core/swimtests';
import { api, type Waits } from '@/api/api';
import { patchPage } from '@/offline';

const idIn = (path: string) => path.slice(path.lastIndexOf('/') + 1);
const pageOf = (swimmerId: string) => `/swimmers/${swimmerId}/records`;

/** A test that waits stands among the records at once, with what it says. */
const testWaits: Waits = {
  label: (body: TestSave) => `Test: ${SWIM_TEST[body.input.kind].name.toLowerCase()}`,
  shown: async (body: TestSave, path: string): Promise<TestView> => {
    const { version, writeId: _writeId, ...fields } = body;
    const id = idIn(path);
    const view: TestView = {
      ...fields,
      id,
      version: version + 1,
      kind: body.input.kind,
      outcome: testOutcome(body.input),
    };
    await patchPage<RecordsView>(pageOf(body.swimmerId), (page) => ({
      ...page,
      tests: [view, ...page.tests.filter((t) => t.id !== id)],
    }));
    return view;
  },
};

const resultWaits: Waits = {
  label: (body: ResultSave) => `Result: ${body.distanceM} m`,
  shown: async ({ was: _was, ...line }: ResultSave, path: string): Promise<ClubResult> => {
    const id = idIn(path);
    await patchPage<RecordsView>(pageOf(line.swimmerId), (page) => ({
      ...page,
      results: [{ id, ...line }, ...page.results.filter((r) => r.id !== id)],
    }));
    return { id, name: '', ...line };
  },
};

const removal = (what: string): Waits => ({ label: () => what, shown: () => ({ removed: true }) });

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    records: build.query<RecordsView, string>({
      query: (swimmerId) => pageOf(swimmerId),
      providesTags: ['Records'],
    }),
    results: build.query<ResultsPage, ResultsQuery>({
      query: (params) => ({ url: '/results', params: { ...params } }),
      providesTags: ['Records'],
    }),
    imports: build.query<ImportView[], void>({ query: () => '/imports', providesTags: ['Records'] }),
    undoImport: build.mutation<ImportView, string>({
      query: (id) => ({ url: `/imports/${id}/undo`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Records', 'Swimmer', 'Race']),
    }),
    saveTest: build.mutation<TestView, { id: string; body: TestSave }>({
      query: ({ id, body }) => ({ url: `/tests/${id}`, method: 'PUT', body }),
      extraOptions: { waits: testWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Records']),
    }),
    removeTest: build.mutation<unknown, string>({
      query: (id) => ({ url: `/tests/${id}`, method: 'DELETE' }),
      extraOptions: { waits: removal('Taking a test out') },
      invalidatesTags: (_result, error) => (error ? [] : ['Records']),
    }),
    saveResult: build.mutation<ClubResult, { id: string; body: ResultSave }>({
      query: ({ id, body }) => ({ url: `/results/${id}`, method: 'PUT', body }),
      extraOptions: { waits: resultWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Records', 'Swimmer']),
    }),
    removeResult: build.mutation<unknown, string>({
      query: (id) => ({ url: `/results/${id}`, method: 'DELETE' }),
      extraOptions: { waits: removal('Taking a result out') },
      invalidatesTags: (_result, error) => (error ? [] : ['Records', 'Swimmer']),
    }),
  }),
});

export const {
  useRecordsQuery,
  useResultsQuery,
  useImportsQuery,
  useUndoImportMutation,
  useSaveTestMutation,
  useRemoveTestMutation,
  useSaveResultMutation,
  useRemoveResultMutation,
} = endpoints;
