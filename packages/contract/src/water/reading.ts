import { type Noted, type ReadField } from '@upwell/core/water';
import type { Schema } from 'joi';
import { Joi } from '../joi';
import { isoDate, momentMs, oneOf, uuid } from '../common';
import { number } from './course';
import { compass } from './leg';

// What is read at a water for an hour of a day.

/** What was read at a course for one hour of one day; each reading with its moment. */
export interface WaterReading {
  /** Day and hour by the clock of the course. */
  readonly date: string;
  readonly hour: number;
  readonly read: Noted;
}

/** Limits of what can be read, the same for a reading and for a decision. */
export const READING_SCHEMAS: Readonly<Record<ReadField, () => Schema>> = {
  waterC: () => number.min(-3).max(45),
  airC: () => number.min(-40).max(55),
  windMps: () => number.min(0).max(60),
  windFromDeg: compass,
  currentMps: () => number.min(0).max(5),
  currentToDeg: compass,
  waveHeightM: () => number.min(0).max(15),
  waveFromDeg: compass,
  rainMm72h: () => number.min(0).max(1000),
  visibility: () => oneOf(['clear', 'hazy', 'fog']),
  lightning: () => Joi.boolean(),
  sewage: () => Joi.boolean(),
  fouled: () => Joi.boolean(),
  traffic: () => oneOf(['none', 'lane', 'through']),
  wildlife: () => Joi.boolean(),
  walked: () => Joi.boolean(),
  cloudy: () => Joi.boolean(),
};

const hour = number.integer().min(0).max(23).required();
const noted = (value: Schema) =>
  Joi.object({ value: value.allow(null).required(), atMs: momentMs().integer().required() });

/** The readings of an hour, as they are sent and kept. */
export const notedSchema = Joi.object<Noted>(
  Object.fromEntries(Object.entries(READING_SCHEMAS).map(([field, schema]) => [field, noted(schema())])),
);
export const readingParams = Joi.object({ id: uuid().required(), date: isoDate().required(), hour });
export const readingSchema = Joi.object<{ read: Noted }>({ read: notedSchema.min(1).required() });
/** As it stands in an archive. */
export const readingKeptSchema = Joi.object({ date: isoDate().required(), hour, read: notedSchema.required() });
