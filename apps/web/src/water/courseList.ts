import type { CourseRow } from '@upwell/contract/water';
import { api } from '@/api/api';

// On its own, so that sessions can offer the courses without loading all of the water.
const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    courses: build.query<CourseRow[], void>({ query: () => '/courses', providesTags: ['Course'] }),
  }),
});

export const { useCoursesQuery } = endpoints;

/** Metres of one lap. */
export const lapM = ({ lengthM, laps }: CourseRow): number => Math.round(lengthM / laps);
