// A course as it is stored and listed.
import { AREA_KINDS, COURSE_LIMIT, TURN_SIDES, type Course } from '@upwell/core/water';
import { Joi } from '../joi';
import { key, line, oneOf, saved, uuid, type Saved } from '../common';

export interface CourseFields {
  readonly name: string;
  /** Where it is, as the coach says it. */
  readonly place: string;
  readonly course: Course;
}

export type CourseSave = CourseFields & Saved;

export const number = Joi.number();
export const spot = { lat: number.min(-90).max(90).required(), lon: number.min(-180).max(180).required() };
const shortId = () => key(40).required();

export const courseSchema = Joi.object<Course>({
  start: Joi.object(spot).required(),
  marks: Joi.array()
    .items(
      Joi.object({
        id: shortId(),
        name: line(60).required(),
        turn: oneOf(TURN_SIDES).required(),
        abeam: key(40),
        ...spot,
      }),
    )
    .max(COURSE_LIMIT.marks)
    .unique('id')
    .required(),
  finish: Joi.object(spot).required(),
  laps: number.integer().min(1).max(COURSE_LIMIT.laps).required(),
  areas: Joi.array()
    .items(
      Joi.object({
        id: shortId(),
        kind: oneOf(AREA_KINDS).required(),
        name: line(60).allow('').required(),
        points: Joi.array().items(Joi.object(spot)).min(3).max(COURSE_LIMIT.corners).required(),
      }),
    )
    .max(COURSE_LIMIT.areas)
    .unique('id')
    .required(),
  landmarks: Joi.array()
    .items(
      Joi.object({
        id: shortId(),
        name: line(60).required(),
        widthM: number.greater(0).max(5000).required(),
        heightM: number.greater(0).max(5000).required(),
        fixed: Joi.boolean().required(),
        ...spot,
      }),
    )
    .max(COURSE_LIMIT.landmarks)
    .unique('id')
    .required(),
  exits: Joi.array()
    .items(Joi.object({ id: shortId(), name: line(60).required(), last: Joi.boolean().required(), ...spot }))
    .max(COURSE_LIMIT.exits)
    .unique('id'),
  withStream: Joi.boolean(),
});

export const courseSaveSchema = Joi.object<CourseSave>({
  name: line(80).required(),
  place: line(80).allow('').required(),
  course: courseSchema.required(),
  ...saved,
});

export interface CourseView extends CourseFields {
  readonly id: string;
  /** The zone of its start: what is swum here is told by this clock. */
  readonly timeZone: string;
  readonly version: number;
  /** Out of the list, and still there for what was planned and swum on it; not in pages that a device kept from before. */
  readonly removed?: boolean;
}

/** One line of the list. */
export interface CourseRow {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly lengthM: number;
  readonly marks: number;
  readonly laps: number;
}

export const COURSE_FILES = ['gpx', 'geojson'] as const;
export type CourseFile = (typeof COURSE_FILES)[number];
export const courseFileParams = Joi.object<{ id: string; format: CourseFile }>({
  id: uuid().required(),
  format: oneOf(COURSE_FILES).required(),
});
