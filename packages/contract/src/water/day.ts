import type { DayGroup, DayReadings, Decision } from '@upwell/core/water';
import { reasonProblem } from '@upwell/core/safety';
import { HEALTH_FLAGS } from '@upwell/core/swimmers';
import { Joi } from '../joi';
import { line, moment, oneOf, uuid } from '../common';
import { number } from './course';
import { compass } from './leg';

// The decision of a day.

/** What a coach signs before anyone gets in; only ever added. */
export interface WaterDayFields {
  readonly courseId: string;
  /** The planned start, ISO 8601. */
  readonly startsAt: string;
  readonly readings: DayReadings;
  readonly group: DayGroup;
  /** Which local rule or licensed person lets the head coach go although the answer was no; null without that. */
  readonly overruled: string | null;
}

export interface WaterDayView extends Omit<WaterDayFields, 'courseId'> {
  readonly id: string;
  /** Null once the course was taken out. */
  readonly courseId: string | null;
  /** Worked out from readings and group when it was signed. */
  readonly decision: Decision;
  readonly reasons: readonly string[];
  readonly signedBy: string;
  readonly signedAt: string;
}

const reading = (min: number, max: number) => number.min(min).max(max).allow(null).required();
const flag = () => Joi.boolean().allow(null).required();
const count = () => number.integer().min(0).max(500).required();

export const waterDaySchema = Joi.object<WaterDayFields>({
  courseId: uuid().required(),
  startsAt: moment().required(),
  readings: Joi.object<DayReadings>({
    waterC: reading(-3, 45),
    airC: reading(-40, 55),
    windMps: reading(0, 60),
    windFromDeg: compass().required(),
    offshoreDeg: compass().required(),
    currentMps: reading(0, 5),
    currentToDeg: compass().required(),
    waveHeightM: reading(0, 15),
    rainMm72h: reading(0, 1000),
    visibility: oneOf(['clear', 'hazy', 'fog']).allow(null).required(),
    lightning: flag(),
    sewage: flag(),
    fouled: flag(),
    traffic: oneOf(['none', 'lane', 'through']).allow(null).required(),
    wildlife: flag(),
    walked: flag(),
    lightLeftMin: reading(-1440, 2880),
    depthM: reading(0, 100),
  }).required(),
  group: Joi.object<DayGroup>({
    swimmers: count(),
    children: count(),
    minors: count().optional().default(0),
    minorsAgreed: Joi.boolean().default(false),
    settle: count(),
    firstTimers: count(),
    slowestMps: number.greater(0).max(3).required(),
    wetsuits: Joi.boolean().required(),
    watching: count(),
    craft: Joi.boolean().required(),
    stopSignal: Joi.boolean().required(),
    caller: line(80).allow('').required(),
    bright: Joi.boolean().required(),
    lights: Joi.boolean().default(false),
    warmExit: Joi.boolean().default(false),
    winterRules: Joi.boolean().default(false),
    minutes: number.integer().min(1).max(600).required(),
    swimmerIds: Joi.array().items(uuid()).unique().max(500).default([]),
    health: Joi.array()
      .items(
        Joi.object({
          swimmerId: uuid().required(),
          flag: oneOf(HEALTH_FLAGS).required(),
          answer: line(200).allow('').required(),
        }),
      )
      .max(200)
      .default([]),
  }).required(),
  overruled: line(500)
    .custom((text: string, helpers) => {
      const problem = reasonProblem(text);
      return problem ? helpers.message({ custom: problem }) : text;
    })
    .allow(null)
    .required(),
});
