// Sessions that were made together, changed and taken out together.
import type { Me } from '@upwell/contract/account';
import type { SeriesChange, SeriesChanged, SeriesRemoval } from '@upwell/contract/sessions';
import { bringAlong, type SeriesScope } from '@upwell/core/sessions';
import type { EntityManager } from '@mikro-orm/postgresql';
import { v5 } from 'uuid';
import { notFound } from '../platform/problem';
import type { RunWork } from '../work';
import { TrainingSessionEntity, type TrainingSessionRecord } from './entities';
import { fieldsOf, saveSession } from './service';

/** Weeks of some years; a series is made of at most twenty at once. */
const MOST = 200;

/** The other sessions of a series: those after a day, or all of them. */
async function others(
  em: EntityManager,
  { id, seriesId }: TrainingSessionRecord,
  scope: SeriesScope,
  day: string,
): Promise<TrainingSessionRecord[]> {
  if (!seriesId) return [];
  const where = { seriesId, template: false, id: { $ne: id }, ...(scope === 'later' ? { date: { $gt: day } } : {}) };
  return em.find(TrainingSessionEntity, where, { orderBy: { date: 'asc', id: 'asc' }, limit: MOST });
}

/**
 * Brings the others of a series along with a change of one of them: all of them or none, each through the same doors as a
 * session that a coach saves. What was noted as swum stays.
 */
export async function changeSeries(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  { scope, before, after, writeId }: SeriesChange,
): Promise<SeriesChanged> {
  const one = await em.findOne(TrainingSessionEntity, { id });
  if (!one) throw notFound();
  const rows = await others(em, one, scope, before.date);
  let [changed, keptSets] = [0, 0];
  const open = rows.filter((row) => !row.done);
  for (const row of open) {
    const saved = { version: row.version, writeId: v5(row.id, writeId) };
    // The answer to it was lost: it was brought along already.
    if (row.writeId === saved.writeId) {
      changed++;
      continue;
    }
    const { session, keepsSets } = bringAlong(fieldsOf(row), before, after);
    await saveSession(em, work, me, row.id, { ...session, ...saved });
    changed++;
    if (keepsSets) keptSets++;
  }
  return { changed, keptSets, swum: rows.length - open.length };
}

/** Takes a session out of the calendar for good, and those of its series that follow it, or all; what was swum stays. */
export async function removeSession(
  em: EntityManager,
  id: string,
  { series }: SeriesRemoval,
): Promise<{ readonly removed: true }> {
  const one = await em.findOne(TrainingSessionEntity, { id });
  if (!one) throw notFound();
  const rows = series ? (await others(em, one, series, one.date)).filter((row) => !row.done) : [];
  await em.nativeDelete(TrainingSessionEntity, { id: { $in: [id, ...rows.map((row) => row.id)] } });
  return { removed: true };
}
