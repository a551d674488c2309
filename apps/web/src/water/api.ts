// What the server is asked about courses, decisions at the water and tracks.
import type {
  CourseRow,
  CourseSave,
  CourseView,
  TrackRow,
  TrackSave,
  TrackView,
  WaterDayFields,
  WaterReading,
  WaterDayView,
} from '@upwell/contract/water';
import { lengthOf, legsOf, mergeRead, type Noted } from '@upwell/core/water';
import { api, type Waits } from '@/api/api';
import { courseEndpoints } from '@/courses';
import { keepPage, keptZone, patchPage } from '@/offline';

const courseWaits: Waits = {
  label: (body: CourseSave) => `Course “${body.name}”`,
  shown: async (body: CourseSave, path: string): Promise<CourseView> => {
    const { version, writeId: _writeId, ...fields } = body;
    const id = path.slice(path.lastIndexOf('/') + 1);
    const view: CourseView = { ...fields, id, timeZone: await keptZone(path), version: version + 1 };
    await keepPage(path, view);
    const { marks, laps } = body.course;
    const row: CourseRow = {
      ...{ id: view.id, name: body.name, place: body.place, laps, marks: marks.length },
      lengthM: lengthOf(legsOf(body.course)),
    };
    await patchPage<CourseRow[]>('/courses', (rows) => [...rows.filter((r) => r.id !== view.id), row]);
    return view;
  },
};

/** A signed day is on record once it has arrived; until then it waits under its own words. */
const dayWaits: Waits = {
  label: () => 'Decision at the water',
  shown: (_body: WaterDayFields, path: string) => ({ id: path.slice(path.lastIndexOf('/') + 1) }),
};

/** A track waits like a signed day; it stands in the lists once it has arrived. */
const trackWaits: Waits = {
  label: () => 'Swum track',
  shown: (_body: TrackSave, path: string) => ({ id: path.slice(path.lastIndexOf('/') + 1) }),
};

/** The readings of a course with one more put together with what is there. */
function withReading(rows: readonly WaterReading[], one: WaterReading): readonly WaterReading[] {
  const same = (r: WaterReading) => r.date === one.date && r.hour === one.hour;
  const before = rows.find(same);
  return [{ ...one, read: mergeRead(before?.read ?? {}, one.read) }, ...rows.filter((r) => !same(r))];
}

/** Readings are put together wherever they meet: what waits here is shown with what was kept. */
const readingWaits: Waits = {
  label: () => 'Reading at the water',
  shown: async ({ read }: { read: Noted }, path: string): Promise<WaterReading> => {
    const [date, hour] = path.split('/').slice(-2) as [string, string];
    const list = path.slice(0, -`/${date}/${hour}`.length);
    const one: WaterReading = { date, hour: Number(hour), read };
    await patchPage<readonly WaterReading[]>(list, (rows) => withReading(rows, one), []);
    return one;
  },
};

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    saveCourse: build.mutation<CourseView, { id: string; body: CourseSave }>({
      query: ({ id, body }) => ({ url: `/courses/${id}`, method: 'PUT', body }),
      extraOptions: { waits: courseWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    noteReading: build.mutation<WaterReading, Omit<WaterReading, 'read'> & { id: string; read: Noted }>({
      query: ({ id, date, hour, read }) => ({
        url: `/courses/${id}/readings/${date}/${hour}`,
        method: 'PUT',
        body: { read },
      }),
      extraOptions: { waits: readingWaits },
      // What was told shows at once, without a moment of what was there before.
      onQueryStarted: async ({ id }, { dispatch, queryFulfilled }) => {
        const told = await queryFulfilled.catch(() => null);
        if (!told) return;
        dispatch(
          courseEndpoints.util.updateQueryData(
            'readings',
            id,
            (rows) => withReading(rows, told.data) as WaterReading[],
          ),
        );
      },
      invalidatesTags: (_result, error) => (error ? [] : ['Reading']),
    }),
    waterDays: build.query<WaterDayView[], string>({
      query: (id) => `/courses/${id}/days`,
      providesTags: ['Course'],
    }),
    signDay: build.mutation<{ id: string }, { id: string; body: WaterDayFields }>({
      query: ({ id, body }) => ({ url: `/water-days/${id}`, method: 'PUT', body }),
      extraOptions: { waits: dayWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    tracks: build.query<TrackRow[], { of: 'courses' | 'swimmers'; id: string }>({
      query: ({ of, id }) => `/${of}/${id}/tracks`,
      providesTags: ['Course'],
    }),
    track: build.query<TrackView, string>({ query: (id) => `/tracks/${id}` }),
    saveTrack: build.mutation<TrackView, { id: string; body: TrackSave }>({
      query: ({ id, body }) => ({ url: `/tracks/${id}`, method: 'PUT', body }),
      extraOptions: { waits: trackWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    removeTrack: build.mutation<unknown, string>({
      query: (id) => ({ url: `/tracks/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    removeCourse: build.mutation<CourseView, string>({
      query: (id) => ({ url: `/courses/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    restoreCourse: build.mutation<CourseView, string>({
      query: (id) => ({ url: `/courses/${id}/restore`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
  }),
});

export const {
  useNoteReadingMutation,
  useSaveCourseMutation,
  useRemoveCourseMutation,
  useRestoreCourseMutation,
  useTracksQuery,
  useTrackQuery,
  useSaveTrackMutation,
  useRemoveTrackMutation,
  useWaterDaysQuery,
  useSignDayMutation,
} = endpoints;
