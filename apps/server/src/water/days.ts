import { dayIn, yearIn } from '@upwell/core/days';
import { zoneAt } from '@upwell/core/days/place';
import type { Me } from '@upwell/contract/account';
import type { WaterDayFields, WaterDayView } from '@upwell/contract/water';
import { WATER_RULES, type WaterRules } from '@upwell/core/safety';
import { isChild, isYoung } from '@upwell/core/swimmers';
import {
  decideDay,
  farthestFromLand,
  NEVER_OVERRULED,
  numbersProblem,
  numbersWords,
  ONLY_HEAD_OVERRULES,
  type DayGroup,
  type DayReason,
  streamWay,
  type Course,
} from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { all } from '../platform/statement';
import { clubRule } from '../swimmers';
import { SwimmerEntity, type SwimmerRecord } from '../swimmers/entities';
import { WaterDayEntity, type WaterDayRecord } from './entities';
import { showCourse } from './service';
import { SESSIONS_OF_DAY } from './sql';

/** Most decisions of one course that are shown. */
const MOST = 60;

/** What was decided at a water, the newest first. */
export async function daysOf(em: EntityManager, courseId: string): Promise<WaterDayView[]> {
  const days = await em.find(
    WaterDayEntity,
    { course: courseId },
    { populate: ['signedBy'], orderBy: { signedAt: 'desc' }, limit: MOST },
  );
  const goers = await visible(
    em,
    days.flatMap((day) => day.people.swimmerIds ?? []),
  );
  return days.map((day) => toView(day, goers));
}

/** A day as one may see it: who went in, and their health notes, are for those who coach them. */
function toView(
  { id, course, startsAt, readings, people, decision, reasons, overruled, signedBy, signedAt }: WaterDayRecord,
  seen: ReadonlyMap<string, unknown>,
): WaterDayView {
  return {
    ...{ id, courseId: course?.id ?? null, readings, decision, reasons, overruled: overruled ?? null },
    group: {
      ...people,
      swimmerIds: (people.swimmerIds ?? []).filter((swimmer) => seen.has(swimmer)),
      health: (people.health ?? []).filter((h) => seen.has(h.swimmerId)),
    },
    startsAt: startsAt.toISOString(),
    signedBy: signedBy.name,
    signedAt: signedAt.toISOString(),
  };
}

/** Of some swimmers those that one may see, with what the decision must know of them. */
async function visible(em: EntityManager, ids: readonly string[]): Promise<ReadonlyMap<string, SwimmerRecord>> {
  if (ids.length === 0) return new Map();
  const swimmers = await em.find(SwimmerEntity, { id: { $in: [...new Set(ids)] } });
  return new Map(swimmers.map((swimmer) => [swimmer.id, swimmer]));
}

/** The group as it is judged: nobody who is named is forgotten in the numbers, and every health note is asked about. */
async function knownGroup(em: EntityManager, group: DayGroup, year: number): Promise<DayGroup> {
  const goers = await visible(em, group.swimmerIds);
  if (goers.size < group.swimmerIds.length) {
    const message = 'One of those named here is not in a squad of yours.';
    throw new ProblemError(422, message, { fields: [{ field: 'group.swimmerIds', message }] });
  }
  const people = [...goers.values()];
  const young = people.filter((p) => isYoung(p.birthYear ?? null, year)).length;
  const minors = people.filter((p) => isChild(p.birthYear ?? null, year)).length - young;
  return {
    ...group,
    children: Math.max(group.children, young),
    minors: Math.max(group.minors, minors),
    settle: Math.max(group.settle, people.filter((p) => p.level === 'settle').length),
    health: people.flatMap((p) =>
      p.healthFlags.map((flag) => ({
        swimmerId: p.id,
        flag,
        answer: group.health.find((h) => h.swimmerId === p.id && h.flag === flag)?.answer ?? '',
      })),
    ),
  };
}

/** One signed day with what is printed beside it: the course's name and the sessions on it that day. */
export async function dayToPrint(em: EntityManager, me: Me, id: string) {
  const day = await em.findOne(WaterDayEntity, { id }, { populate: ['signedBy', 'course'] });
  if (!day) throw notFound();
  // Nobody knows any longer where a course was that was taken out.
  const timeZone = day.course ? zoneAt(day.course.course.start) : me.timeZone;
  const plans = await all(em, SESSIONS_OF_DAY, [day.course?.id ?? null, dayIn(timeZone, day.startsAt)]);
  return {
    timeZone,
    day: toView(day, await visible(em, day.people.swimmerIds ?? [])),
    courseName: day.course?.name ?? 'A course that was taken out',
    plans,
  };
}

/** The decision with its reasons as they are kept. */
function decided(day: Pick<WaterDayFields, 'readings' | 'group'>, course: Course, rules: WaterRules) {
  const { decision, checks, missing, mayOverrule } = decideDay(
    day.readings,
    day.group,
    farthestFromLand(course),
    rules,
    streamWay(course),
  );
  const made = checks.map(({ id, of }) => ({ id, of }) as DayReason);
  return { decision, mayOverrule, reasons: [...made, ...missing.map((reading) => ({ missing: reading }))] };
}

/**
 * Keeps what a coach signs. The answer is worked out here again; a stop is overruled only where it may be.
 * The same id again changes nothing.
 */
export async function signDay(em: EntityManager, me: Me, id: string, day: WaterDayFields): Promise<{ id: string }> {
  const { course, timeZone } = await showCourse(em, day.courseId);
  const rules = (await clubRule(em, 'water')) ?? WATER_RULES;
  const group = await knownGroup(em, day.group, yearIn(timeZone, day.startsAt));
  const refuse = (field: string, message: string) => {
    throw new ProblemError(422, message, { fields: [{ field, message }] });
  };
  const numbers = numbersProblem(group);
  if (numbers) refuse('group', numbersWords(numbers));
  const { decision, reasons, mayOverrule } = decided({ readings: day.readings, group }, course, rules);
  if (day.overruled !== null && !mayOverrule)
    refuse('overruled', decision === 'stop' ? NEVER_OVERRULED : 'There is no stop to overrule.');
  if (group.minorsAgreed && me.role !== 'head')
    refuse('group.minorsAgreed', 'Only the head coach notes that guardians agreed for those of 16 and 17.');
  if (day.overruled !== null && me.role !== 'head') refuse('overruled', ONLY_HEAD_OVERRULES);
  const { courseId, startsAt, readings, overruled } = day;
  await em
    .createQueryBuilder(WaterDayEntity)
    .insert({
      ...{ id, clubId: me.clubId, course: courseId, signedBy: me.accountId, startsAt: new Date(startsAt) },
      ...{ readings, people: group, decision, reasons, overruled },
    })
    .onConflict('id')
    .ignore();
  return { id };
}
