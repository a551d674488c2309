import type { Me } from '@upwell/contract/account';
import type { TrackRow, TrackSave, TrackView } from '@upwell/contract/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { all, first, run, type RowOf } from '../platform/statement';
import type { RunWork } from '../work';
import { SwumTrackEntity } from './entities';
import { showCourse } from './service';
import { ADD_TRACK, TRACK_BY_ID, TRACKS } from './sql';

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
  await run(em, ADD_TRACK, [
    ...[id, me.clubId, save.courseId, me.accountId, name, JSON.stringify(course), JSON.stringify(habits)],
    ...[JSON.stringify(points), JSON.stringify(summary), save.swimmerId],
  ]);
  return showTrack(em, id);
}

type Stored = Pick<RowOf<typeof TRACK_BY_ID>, keyof RowOf<(typeof TRACKS)['course']>>;
const toRow = ({ summary, ...row }: Stored): TrackRow => ({ ...row, ...summary });

/** Tracks of a course or of a swimmer that one may see, the newest swim first. */
export const listTracks = async (em: EntityManager, of: keyof typeof TRACKS, id: string): Promise<TrackRow[]> =>
  (await all(em, TRACKS[of], [id])).map(toRow);

export async function showTrack(em: EntityManager, id: string): Promise<TrackView> {
  const row = await first(em, TRACK_BY_ID, [id]);
  if (!row) throw notFound();
  const { course, habits, points, ...rest } = row;
  return { ...toRow(rest), course, habits, points };
}

/** Takes a track out for good; taking it out twice changes nothing. */
export async function removeTrack(em: EntityManager, id: string): Promise<{ readonly removed: true }> {
  await em.nativeDelete(SwumTrackEntity, { id });
  return { removed: true };
}
