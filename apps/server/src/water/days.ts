import type { Me } from '@upwell/contract/account';
import type { WaterDayFields, WaterDayView } from '@upwell/contract/water';
import { WATER_RULES, type WaterRules } from '@upwell/core/safety';
import { isChild, isYoung, type HealthFlag, type LevelId } from '@upwell/core/swimmers';
import {
  decideDay,
  farthestFromLand,
  NEVER_OVERRULED,
  numbersProblem,
  ONLY_HEAD_OVERRULES,
  type DayGroup,
  type Decision,
} from '@upwell/core/water';
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
  const seen = await visible(
    em,
    rows.flatMap((r) => r.people.swimmerIds ?? []),
  );
  return rows.map((r) => ({
    id: r.id,
    courseId: r.course_id,
    startsAt: new Date(r.starts_at).toISOString(),
    readings: r.readings,
    // Who went in, and their health notes, are for those who coach them.
    group: {
      ...r.people,
      swimmerIds: (r.people.swimmerIds ?? []).filter((swimmer) => seen.has(swimmer)),
      health: (r.people.health ?? []).filter((h) => seen.has(h.swimmerId)),
    },
    decision: r.decision,
    reasons: r.reasons,
    overruled: r.overruled,
    signedBy: r.signed_by,
    signedAt: new Date(r.signed_at).toISOString(),
  }));
}

interface Goer {
  readonly id: string;
  readonly birth_year: number | null;
  readonly level: LevelId;
  readonly health_flags: readonly HealthFlag[];
}

/** Of some swimmers those that one may see, with what the decision must know of them. */
async function visible(em: EntityManager, ids: readonly string[]): Promise<ReadonlyMap<string, Goer>> {
  if (ids.length === 0) return new Map();
  const rows = await em.execute<Goer[]>(
    'select id, birth_year, level, health_flags from swimmer where id = any(?::uuid[])',
    [`{${[...new Set(ids)].join(',')}}`],
    'all',
  );
  return new Map(rows.map((row) => [row.id, row]));
}

/** The group as it is judged: nobody who is named is forgotten in the numbers, and every health note is asked about. */
async function knownGroup(em: EntityManager, group: DayGroup, year: number): Promise<DayGroup> {
  const goers = await visible(em, group.swimmerIds);
  if (goers.size < group.swimmerIds.length) {
    const message = 'One of those named here is not in a squad of yours.';
    throw new ProblemError(422, message, { fields: [{ field: 'group.swimmerIds', message }] });
  }
  const people = [...goers.values()];
  const young = people.filter((p) => isYoung(p.birth_year, year)).length;
  const minors = people.filter((p) => isChild(p.birth_year, year)).length - young;
  return {
    ...group,
    children: Math.max(group.children, young),
    minors: Math.max(group.minors, minors),
    settle: Math.max(group.settle, people.filter((p) => p.level === 'settle').length),
    health: people.flatMap((p) =>
      p.health_flags.map((flag) => ({
        swimmerId: p.id,
        flag,
        answer: group.health.find((h) => h.swimmerId === p.id && h.flag === flag)?.answer ?? '',
      })),
    ),
  };
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
  const group = await knownGroup(em, day.group, new Date(day.startsAt).getUTCFullYear());
  const refuse = (field: string, message: string) => {
    throw new ProblemError(422, message, { fields: [{ field, message }] });
  };
  const numbers = numbersProblem(group);
  if (numbers) refuse('group', numbers);
  const { decision, reasons, mayOverrule } = decided(
    { readings: day.readings, group },
    farthestFromLand(course),
    club?.water ?? WATER_RULES,
  );
  if (day.overruled !== null && !mayOverrule)
    refuse('overruled', decision === 'stop' ? NEVER_OVERRULED : 'There is no stop to overrule.');
  if (group.minorsAgreed && me.role !== 'head')
    refuse('group.minorsAgreed', 'Only the head coach notes that guardians agreed for those of 16 and 17.');
  if (day.overruled !== null && me.role !== 'head') refuse('overruled', ONLY_HEAD_OVERRULES);
  await em.execute(
    `insert into water_day (id, club_id, course_id, signed_by, starts_at, readings, people, decision, reasons, overruled)
     values (?, ?, ?, ?, ?::timestamptz, ?::jsonb, ?::jsonb, ?, ?::jsonb, ?) on conflict (id) do nothing`,
    [
      ...[id, me.clubId, day.courseId, me.accountId, day.startsAt],
      ...[JSON.stringify(day.readings), JSON.stringify(group), decision, JSON.stringify(reasons), day.overruled],
    ],
    'run',
  );
  return { id };
}
