// Courses, decisions at the water and swum tracks as they are stored.
import type { Course, DayGroup, DayReadings, DayReason, Decision } from '@upwell/core/water';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import { AccountEntity } from '../account/entities';

export const CourseEntity = defineEntity({
  name: 'Course',
  tableName: 'course',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    name: p.text(),
    place: p.text(),
    course: p.json<Course>(),
    /** Of all laps, worked out by core, so that lists need not read the course. */
    lengthM: p.double().$type<number>(),
    /** Since when it is out of the list; null while it is in it. */
    removedAt: p.datetime().nullable(),
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type CourseRecord = InferEntity<typeof CourseEntity>;

/** What somebody signed at the water; only ever added. */
export const WaterDayEntity = defineEntity({
  name: 'WaterDay',
  tableName: 'water_day',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    /** Null when the course was taken out. */
    course: () => p.manyToOne(CourseEntity).joinColumn('course_id').nullable(),
    signedBy: () => p.manyToOne(AccountEntity).joinColumn('signed_by'),
    signedAt: p.datetime().defaultRaw('now()'),
    startsAt: p.datetime(),
    readings: p.json<DayReadings>(),
    /** Those signed before names and answers were asked for have neither. */
    people: p.json<Omit<DayGroup, 'swimmerIds' | 'health'> & Partial<Pick<DayGroup, 'swimmerIds' | 'health'>>>(),
    decision: p.text().$type<Decision>(),
    reasons: p.json<readonly DayReason[]>(),
    overruled: p.text().nullable(),
  },
});
export type WaterDayRecord = InferEntity<typeof WaterDayEntity>;

/** A track that was swum; its points and what they say are written once and read by {@link ./sql}. */
export const SwumTrackEntity = defineEntity({
  name: 'SwumTrack',
  tableName: 'swum_track',
  properties: {
    id: p.uuid().primary(),
    clubId: p.uuid(),
    swimmerId: p.uuid(),
    courseId: p.uuid().nullable(),
    notedBy: p.uuid(),
    courseName: p.text(),
    course: p.json<Course>(),
  },
});
