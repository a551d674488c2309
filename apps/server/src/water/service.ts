import { zoneAt } from '@upwell/core/days/place';
import type { Me } from '@upwell/contract/account';
import type { CourseFile, CourseRow, CourseSave, CourseView } from '@upwell/contract/water';
import { writeCourseGeoJson, writeCourseGpx } from '@upwell/core/water';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all, run } from '../platform/statement';
import type { RunWork } from '../work';
import { CourseEntity, type CourseRecord } from './entities';
import { COURSES, REMOVE_COURSE } from './sql';

/** The club's courses by name, without their outlines. */
export const listCourses = (em: EntityManager): Promise<CourseRow[]> => all(em, COURSES);

export async function showCourse(em: EntityManager, id: string): Promise<CourseView> {
  const record = await em.findOne(CourseEntity, { id });
  if (!record) throw notFound();
  return toView(record);
}

/** Stores a course; one that cannot be swum is refused with what is wrong. */
export async function saveCourse(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  save: CourseSave,
): Promise<CourseView> {
  const { name, place, course } = save;
  const fields = { clubId: me.clubId, name, place, course, lengthM: await work('check-course', course) };
  const { row } = await saveVersioned(em, CourseEntity, id, save, fields, toView);
  return toView(row);
}

/**
 * Takes a course out of the list, or puts it back; twice changes nothing. What was planned, read and swum on it keeps it.
 */
export async function removeCourse(em: EntityManager, id: string, removed: boolean): Promise<CourseView> {
  await run(em, REMOVE_COURSE, [removed, id]);
  return showCourse(em, id);
}

export async function courseFile(
  em: EntityManager,
  id: string,
  format: CourseFile,
): Promise<{ readonly name: string; readonly file: string }> {
  const { name, course } = await showCourse(em, id);
  return { name, file: format === 'gpx' ? writeCourseGpx({ name, course }) : writeCourseGeoJson({ name, course }) };
}

const toView = ({ id, version, name, place, course, removedAt }: CourseRecord): CourseView => ({
  id,
  version,
  name,
  place,
  course,
  removed: removedAt != null,
  timeZone: zoneAt(course.start),
});
