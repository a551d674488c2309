import { withZone } from '@/api/withZone';
import type { CourseRow, CourseView, WaterReading } from '@upwell/contract/water';
import { api } from '@/api/api';

// Apart from the rest of the water, so that sessions and races can offer courses without loading all of it.
export const courseEndpoints = api.injectEndpoints({
  endpoints: (build) => ({
    courses: build.query<CourseRow[], void>({ query: () => '/courses', providesTags: ['Course'] }),
    course: build.query<CourseView, string>({
      query: (id) => `/courses/${id}`,
      transformResponse: withZone<CourseView>,
      providesTags: ['Course'],
    }),
    readings: build.query<WaterReading[], string>({
      query: (id) => `/courses/${id}/readings`,
      providesTags: ['Reading'],
    }),
  }),
});

export const { useCoursesQuery, useCourseQuery, useReadingsQuery } = courseEndpoints;

/** Metres of one lap. */
export const lapM = ({ lengthM, laps }: CourseRow): number => Math.round(lengthM / laps);
