import { lazy, Suspense } from 'react';
import type { OutsideNotesProps } from './OutsideNotes';

export { courseEndpoints, lapM, useCoursesQuery, useCourseQuery, useReadingsQuery } from './api';

// Sun, tides and the forecast are fetched only for a swim outside.
const Notes = lazy(() => import('./OutsideNotes').then((notes) => ({ default: notes.OutsideNotes })));

/** What speaks against a swim-out while it is planned. */
export function OutsideNotes(props: OutsideNotesProps) {
  return (
    <Suspense fallback={null}>
      <Notes {...props} />
    </Suspense>
  );
}
