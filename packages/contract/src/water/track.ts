import { MOST_TRACK_POINTS, type Course, type TrackHabits } from '@upwell/core/water';
import type { Drift } from '@upwell/core/measures';
import { Joi } from '../joi';
import { line, momentMs, uuid } from '../common';
import { courseSchema, number } from './course';

// A track that was swum.

/** Largest track that is sent, bytes. */
export const MOST_TRACK_BYTES = 1024 * 1024;

/** Latitude, longitude (degrees), and the moment (milliseconds since 1970). */
export type KeptPoint = readonly [lat: number, lon: number, timeMs: number];

export interface TrackFields {
  readonly swimmerId: string;
  readonly habits: TrackHabits;
  readonly points: readonly KeptPoint[];
}
export interface TrackSave extends TrackFields {
  readonly courseId: string;
}

/** One line of a list; worked out when the track was kept. */
export interface TrackRow {
  readonly id: string;
  readonly courseId: string | null;
  readonly courseName: string;
  readonly swimmerId: string;
  readonly name: string;
  /** Day of the swim, ISO date. */
  readonly on: string;
  readonly timeS: number;
  readonly swumM: number;
  readonly courseM: number;
  readonly drift: Drift | null;
}

/** With the course as it was drawn then. */
export interface TrackView extends TrackRow, TrackFields {
  readonly course: Course;
}

const trackFields = {
  swimmerId: uuid().required(),
  habits: Joi.object<TrackHabits>({
    every: number.integer().min(1).max(60).required(),
    rateSpm: number.min(20).max(140).required(),
    currentMps: number.min(0).max(5).required(),
    currentToDeg: number.min(0).max(360).required(),
  }).required(),
  points: Joi.array()
    .items(
      Joi.array().ordered(
        number.min(-90).max(90).required(),
        number.min(-180).max(180).required(),
        momentMs().integer().required(),
      ),
    )
    .min(2)
    .max(MOST_TRACK_POINTS)
    .required(),
};
export const trackSaveSchema = Joi.object<TrackSave>({ courseId: uuid().required(), ...trackFields });
/** As it stands in an archive. */
export const trackKeptSchema = Joi.object({
  courseId: uuid().allow(null).required(),
  courseName: line(80).required(),
  course: courseSchema.required(),
  ...trackFields,
});
