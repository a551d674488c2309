// Courses, decisions at the water and swum tracks as they are stored.
import type { Course } from '@upwell/core/water';
import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

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
    version: p.integer().version(),
    writeId: p.uuid(),
  },
});
export type CourseRecord = InferEntity<typeof CourseEntity>;
