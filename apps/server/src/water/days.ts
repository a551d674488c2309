import type { Me } from '@upwell/contract/account';
import type { WaterDayFields, WaterDayView } from '@upwell/contract/water';
import { decideDay, farthestFromLand, type Decision } from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { ProblemError } from '../platform/problem';
import { showCourse } from './service';

/** Most decisions of one course that are shown. */
const MOST = 60;

interface Row {
  id: string;
  course_id: string;
  starts_at: Date;
  readings: WaterDayFields['readings'];
  people: WaterDayFields['group'];
  decision: Decision;
  reasons: string[];
  overruled: string | null;
  signed_by: string;
  signed_at: Date;
}

/** What was decided at a water, the newest first. */
export async function daysOf(em: EntityManager, courseId: string): Promise<WaterDayView[]> {
  const rows = await em.execute<Row[]>(
    `select d.id, d.course_id, d.starts_at, d.readings, d.people, d.decision, d.reasons, d.overruled, d.signed_at,
       a.name as signed_by
     from water_day d join account a on a.id = d.signed_by
     where d.course_id = ? order by d.signed_at desc limit ${MOST}`,
    [courseId],
    'all',
  );
  return rows.map((r) => ({
    id: r.id,
    courseId: r.course_id,
    startsAt: new Date(r.starts_at).toISOString(),
    readings: r.readings,
    group: r.people,
    decision: r.decision,
    reasons: r.reasons,
    overruled: r.overruled,
    signedBy: r.signed_by,
    signedAt: new Date(r.signed_at).toISOString(),
  }));
}

/** The decision with its reasons as they are kept. */
function decided(day: Pick<WaterDayFields, 'readings' | 'group'>, farthestM: number | null) {
  const { decision, checks, missing, mayOverrule } = decideDay(day.readings, day.group, farthestM);
  return { decision, mayOverrule, reasons: [...checks.map((c) => c.text), ...missing.map((m) => `Not known: ${m}.`)] };
}

/**
 * Keeps what a coach signs. The answer is worked out here again; a stop is overruled only where it may be.
 * The same id again changes nothing.
 */
export async function signDay(em: EntityManager, me: Me, id: string, day: WaterDayFields): Promise<{ id: string }> {
  const { course } = await showCourse(em, day.courseId);
  const { decision, reasons, mayOverrule } = decided(day, farthestFromLand(course));
  if (day.overruled !== null && !mayOverrule) {
    const message =
      decision === 'stop'
        ? 'This stop cannot be overruled: it is about lightning, sewage, current or supervision, or somebody new or young is in the group.'
        : 'There is no stop to overrule.';
    throw new ProblemError(422, message, { fields: [{ field: 'overruled', message }] });
  }
  await em.execute(
    `insert into water_day (id, club_id, course_id, signed_by, starts_at, readings, people, decision, reasons, overruled)
     values (?, ?, ?, ?, ?::timestamptz, ?::jsonb, ?::jsonb, ?, ?::jsonb, ?) on conflict (id) do nothing`,
    [
      ...[id, me.clubId, day.courseId, me.accountId, day.startsAt],
      ...[JSON.stringify(day.readings), JSON.stringify(day.group), decision, JSON.stringify(reasons), day.overruled],
    ],
    'run',
  );
  return { id };
}
