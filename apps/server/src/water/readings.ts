// What is read at a water, hour by hour, put together from all devices.
import type { Me } from '@upwell/contract/account';
import type { WaterReading } from '@upwell/contract/water';
import { mergeRead, type Noted } from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { all, first, run } from '../platform/statement';
import { BEGIN_READING, KEEP_READING, READING_OF_HOUR, READINGS_OF_COURSE } from './sql';

/** What was read at a course, the newest day first. */
export const readingsOf = (em: EntityManager, courseId: string): Promise<WaterReading[]> =>
  all(em, READINGS_OF_COURSE, [courseId]);

/**
 * Puts what a device read together with what is kept for that hour. The same twice, or two devices in any order, come to
 * the same. A clock that goes ahead does not win for ever: nothing is read later than now.
 */
export async function noteReading(
  em: EntityManager,
  me: Me,
  at: { readonly id: string; readonly date: string; readonly hour: number },
  read: Noted,
): Promise<WaterReading> {
  const { id, date, hour } = at;
  const now = Date.now();
  const inTime = Object.fromEntries(
    Object.entries(read).map(([field, entry]) => [field, { ...entry, atMs: Math.min(entry.atMs, now) }]),
  ) as Noted;
  await run(em, BEGIN_READING, [me.clubId, date, hour, id]);
  const kept = await first(em, READING_OF_HOUR, [id, date, hour]);
  if (!kept) throw notFound();
  const merged = mergeRead(kept.read, inTime);
  await run(em, KEEP_READING, [JSON.stringify(merged), kept.id]);
  return { date, hour, read: merged };
}
