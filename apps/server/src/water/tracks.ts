import type { Me } from '@upwell/contract/account';
import type { TrackFields, TrackRow, TrackSave, TrackView } from '@upwell/contract/water';
import { cleanTrack, measureTrack, RefusedTrack, type Course } from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { showCourse } from './service';

/** Most tracks of a course or a swimmer that are listed. */
const MOST = 100;

type Summary = Pick<TrackRow, 'on' | 'timeS' | 'swumM' | 'courseM' | 'drift'>;

/**
 * What lists show of a track, measured anew from its points.
 * @throws ProblemError 422 when it was swum elsewhere or cannot be used
 */
export function trackSummary(course: Course, { points, habits }: TrackFields): Summary {
  try {
    const clean = cleanTrack(points.map(([lat, lon, timeMs]) => ({ lat, lon, timeMs })));
    const { timeS, swumM, courseM, startMs, drift } = measureTrack(clean, course, habits);
    return { on: new Date(startMs).toISOString().slice(0, 10), timeS, swumM, courseM, drift };
  } catch (error) {
    if (!(error instanceof RefusedTrack)) throw error;
    throw new ProblemError(422, error.message, { fields: [{ field: 'points', message: error.message }] });
  }
}

/** Keeps a track with the course as it is drawn today; the same id again changes nothing. */
export async function saveTrack(em: EntityManager, me: Me, id: string, save: TrackSave): Promise<TrackView> {
  const { course, name } = await showCourse(em, save.courseId);
  const summary = trackSummary(course, save);
  await em.execute(
    `insert into swum_track (id, club_id, swimmer_id, course_id, noted_by, course_name, course, habits, points, summary)
     select ?, ?, s.id, ?, ?, ?, ?::jsonb, ?::jsonb, ?::jsonb, ?::jsonb from swimmer s where s.id = ?
     on conflict (id) do nothing`,
    [
      ...[id, me.clubId, save.courseId, me.accountId, name, JSON.stringify(course), JSON.stringify(save.habits)],
      ...[JSON.stringify(save.points), JSON.stringify(summary), save.swimmerId],
    ],
    'run',
  );
  return showTrack(em, id);
}

const ROW = `select t.id, t.course_id as "courseId", t.course_name as "courseName", t.swimmer_id as "swimmerId",
    s.given_name || ' ' || s.family_name as name, t.summary`;
type Stored = Omit<TrackRow, keyof Summary> & { readonly summary: Summary };
const toRow = ({ summary, ...row }: Stored): TrackRow => ({ ...row, ...summary });

/** Tracks of a course or of a swimmer that one may see, the newest swim first. */
export async function listTracks(em: EntityManager, of: 'course_id' | 'swimmer_id', id: string): Promise<TrackRow[]> {
  const rows = await em.execute<Stored[]>(
    `${ROW} from swum_track t join swimmer s on s.id = t.swimmer_id where t.${of} = ?
     order by t.summary->>'on' desc, t.id limit ${MOST}`,
    [id],
    'all',
  );
  return rows.map(toRow);
}

export async function showTrack(em: EntityManager, id: string): Promise<TrackView> {
  const [row] = await em.execute<(Stored & Pick<TrackView, 'course' | 'habits' | 'points'>)[]>(
    `${ROW}, t.course, t.habits, t.points from swum_track t join swimmer s on s.id = t.swimmer_id where t.id = ?`,
    [id],
    'all',
  );
  if (!row) throw notFound();
  const { course, habits, points, ...rest } = row;
  return { ...toRow(rest), course, habits, points };
}

/** Takes a track out for good; taking it out twice changes nothing. */
export async function removeTrack(em: EntityManager, id: string): Promise<{ readonly removed: true }> {
  await em.execute('delete from swum_track where id = ?', [id], 'run');
  return { removed: true };
}
