// What a list shows of a swum track, worked out once when it is stored.
import { dayIn } from '@upwell/core/days';
import { zoneAt } from '@upwell/core/days/place';
import type { TrackFields, TrackRow } from '@upwell/contract/water';
import { cleanTrack, measureTrack, RefusedTrack, type Course } from '@upwell/core/water';
import { ProblemError } from '../platform/problemError';

export type Summary = Pick<TrackRow, 'on' | 'timeS' | 'swumM' | 'courseM' | 'drift'>;

/**
 * What lists show of a track, measured from its points.
 * @throws ProblemError 422 when it was swum elsewhere or cannot be used
 */
export function trackSummary({
  course,
  points,
  habits,
}: Pick<TrackFields, 'points' | 'habits'> & { readonly course: Course }): Summary {
  try {
    const clean = cleanTrack(points.map(([lat, lon, timeMs]) => ({ lat, lon, timeMs })));
    const { timeS, swumM, courseM, startMs, drift } = measureTrack(clean, course, habits);
    return { on: dayIn(zoneAt(course.start), startMs), timeS, swumM, courseM, drift };
  } catch (error) {
    if (!(error instanceof RefusedTrack)) throw error;
    throw new ProblemError(422, error.message, { fields: [{ field: 'points', message: error.message }] });
  }
}
