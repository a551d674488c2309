export { courseEndpoints, lapM, useCoursesQuery, useCourseQuery, useReadingsQuery } from './api';
export { OutsideNotes } from './OutsideNotes';
