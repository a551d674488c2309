import type { Me } from '@upwell/contract/account';
import type { TrackRow, TrackSave, TrackView } from '@upwell/contract/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import type { RunWork } from '../work';
import { showCourse } from './service';
import type { Summary } from './trackSummary';

/** Most tracks of a course or a swimmer that are listed. */
const MOST = 100;

/** Keeps a track with the course as it is drawn today; the same id again changes nothing. */
export async function saveTrack(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  save: TrackSave,
): Promise<TrackView> {
  const { course, name } = await showCourse(em, save.courseId);
  const { points, habits } = save;
  const summary = await work('measure-track', { course, points, habits });
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
