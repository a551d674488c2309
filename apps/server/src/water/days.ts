import type { Me } from '@upwell/contract/account';
import type { WaterDayFields, WaterDayView } from '@upwell/contract/water';
import { WATER_RULES, type WaterRules } from '@upwell/core/safety';
import { decideDay, farthestFromLand, type Decision } from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import type { DayPlan } from './dayPdf';
import { showCourse } from './service';

/** Most decisions of one course that are shown. */
const MOST = 60;

interface Row {
  id: string;
  course_id: string | null;
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
export function daysOf(em: EntityManager, courseId: string): Promise<WaterDayView[]> {
  return readDays(em, 'd.course_id = ?', courseId);
}

async function readDays(em: EntityManager, where: 'd.course_id = ?' | 'd.id = ?', id: string): Promise<WaterDayView[]> {
  const rows = await em.execute<Row[]>(
    `select d.id, d.course_id, d.starts_at, d.readings, d.people, d.decision, d.reasons, d.overruled, d.signed_at,
       a.name as signed_by
     from water_day d join account a on a.id = d.signed_by
     where ${where} order by d.signed_at desc limit ${MOST}`,
    [id],
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

/** One signed day with what is printed beside it: the course's name and the sessions on it that day. */
export async function dayToPrint(em: EntityManager, id: string) {
  const [of] = await em.execute<{ course_id: string | null; name: string | null }[]>(
    'select d.course_id, c.name from water_day d left join course c on c.id = d.course_id where d.id = ?',
    [id],
    'all',
  );
  if (!of) throw notFound();
  const day = (await readDays(em, 'd.id = ?', id))[0]!;
  const plans = await em.execute<DayPlan[]>(
    `select title, plan from training_session where course_id = ? and date = ?::timestamptz::date and not template
     order by start_time limit 6`,
    [of.course_id, day.startsAt],
    'all',
  );
  return { day, courseName: of.name ?? 'A course that was taken out', plans };
}

/** The decision with its reasons as they are kept. */
function decided(day: Pick<WaterDayFields, 'readings' | 'group'>, farthestM: number | null, rules: WaterRules) {
  const { decision, checks, missing, mayOverrule } = decideDay(day.readings, day.group, farthestM, rules);
  return { decision, mayOverrule, reasons: [...checks.map((c) => c.text), ...missing.map((m) => `Not known: ${m}.`)] };
}

/**
 * Keeps what a coach signs. The answer is worked out here again; a stop is overruled only where it may be.
 * The same id again changes nothing.
 */
export async function signDay(em: EntityManager, me: Me, id: string, day: WaterDayFields): Promise<{ id: string }> {
  const { course } = await showCourse(em, day.courseId);
  const [club] = await em.execute<{ water: WaterRules | null }[]>(
    `select settings->'water' as water from club`,
    [],
    'all',
  );
  const { decision, reasons, mayOverrule } = decided(day, farthestFromLand(course), club?.water ?? WATER_RULES);
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
