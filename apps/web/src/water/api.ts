import type { CourseRow, CourseSave, CourseView } from '@upwell/contract/water';
import { lengthOf, legsOf } from '@upwell/core/water';
import { api, type Waits } from '@/api/api';
import { keepPage, patchPage } from '@/offline/pages';

const courseWaits: Waits = {
  label: (body: CourseSave) => `Course “${body.name}”`,
  shown: async (body: CourseSave, path: string): Promise<CourseView> => {
    const { version, writeId: _writeId, ...fields } = body;
    const view: CourseView = { ...fields, id: path.slice(path.lastIndexOf('/') + 1), version: version + 1 };
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

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    courses: build.query<CourseRow[], void>({ query: () => '/courses', providesTags: ['Course'] }),
    course: build.query<CourseView, string>({ query: (id) => `/courses/${id}`, providesTags: ['Course'] }),
    saveCourse: build.mutation<CourseView, { id: string; body: CourseSave }>({
      query: ({ id, body }) => ({ url: `/courses/${id}`, method: 'PUT', body }),
      extraOptions: { waits: courseWaits },
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
    removeCourse: build.mutation<void, string>({
      query: (id) => ({ url: `/courses/${id}`, method: 'DELETE' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Course']),
    }),
  }),
});

export const { useCoursesQuery, useCourseQuery, useSaveCourseMutation, useRemoveCourseMutation } = endpoints;
