import {
  CHECK_IDS,
  READINGS,
  type CheckId,
  type DayGroup,
  type DayReadings,
  type DayReason,
  type Decision,
} from '@upwell/core/water';
import { reasonProblem, WATER_NOTES } from '@upwell/core/safety';
import { HEALTH_FLAGS } from '@upwell/core/swimmers';
import type { Schema, SchemaMap } from 'joi';
import { Joi } from '../joi';
import { line, moment, oneOf, uuid } from '../common';
import { number } from './course';
import { compass } from './leg';
import { READING_SCHEMAS } from './reading';

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
  readonly reasons: readonly DayReason[];
  readonly signedBy: string;
  readonly signedAt: string;
}

const fact = () => number.min(-1e6).max(1e6).required();
const note = () => oneOf(WATER_NOTES).required();
const group = { count: fact(), swimmers: fact() };
/** What each check knows; nothing where it is left out. */
const FACTS: Readonly<Partial<Record<CheckId, Schema | SchemaMap>>> = {
  numbers: Joi.alternatives(
    Joi.object({ wrong: oneOf(['nobody']).required() }),
    Joi.object({ wrong: oneOf(['young', 'first', 'settle', 'named']).required(), ...group }),
  ),
  cold: { waterC: fact(), wetsuits: Joi.boolean().required(), note: note().allow(null) },
  minutes: { minutes: fact(), most: fact(), waterC: fact(), note: note().allow(null) },
  warm: { note: note() },
  air: { airC: fact(), feltC: fact().allow(null), ask: oneOf(['stay-out', 'shelter', 'shade']).required() },
  current: { currentMps: fact(), slowestMps: fact() },
  exits: { exits: fact(), lastNamed: Joi.boolean().required() },
  swept: { currentMps: fact(), slowestMps: fact() },
  watch: Joi.alternatives(
    Joi.object({ watching: number.valid(0).required() }),
    Joi.object({ watching: fact(), swimmers: fact(), needed: fact(), per: fact() }),
  ),
  craft: { farthestM: fact(), beyondM: fact() },
  health: { unanswered: fact() },
  rain: { rainMm: fact() },
  waves: { waveHeightM: fact() },
  depth: { depthM: fact() },
  chop: { waveHeightM: fact(), mostM: fact() },
  breeze: { windMps: fact(), mostMps: fact() },
  shore: { farthestM: fact().allow(null), beyondM: fact() },
  wind: { windMps: fact(), mostMps: fact() },
  unknown: { readings: Joi.array().items(oneOf(READINGS)).min(1).max(READINGS.length).required() },
};
const ofCheck = (id: CheckId) => {
  const facts = FACTS[id] ?? {};
  return Joi.isSchema(facts) ? facts : Joi.object(facts);
};

/** A reason of a day that was signed, as an archive holds it; before there were codes it was a sentence. */
export const dayReasonSchema = Joi.alternatives(
  Joi.object({
    id: oneOf(CHECK_IDS).required(),
    of: Joi.when('id', {
      switch: CHECK_IDS.map((id) => ({ is: id, then: ofCheck(id).required() })),
    }),
  }),
  Joi.object({ missing: oneOf(READINGS).required() }),
  Joi.object({ said: line(500).required() }),
  line(500),
);

/** A reading that a decision is made of; null where it is not known. */
const reading = (field: keyof typeof READING_SCHEMAS) => READING_SCHEMAS[field]().allow(null).required();
const count = () => number.integer().min(0).max(500).required();

export const waterDaySchema = Joi.object<WaterDayFields>({
  courseId: uuid().required(),
  startsAt: moment().required(),
  readings: Joi.object<DayReadings>({
    waterC: reading('waterC'),
    airC: reading('airC'),
    windMps: reading('windMps'),
    windFromDeg: compass().required(),
    offshoreDeg: compass().required(),
    currentMps: reading('currentMps'),
    currentToDeg: compass().required(),
    waveHeightM: reading('waveHeightM'),
    rainMm72h: reading('rainMm72h'),
    visibility: reading('visibility'),
    lightning: reading('lightning'),
    sewage: reading('sewage'),
    fouled: reading('fouled'),
    traffic: reading('traffic'),
    wildlife: reading('wildlife'),
    walked: reading('walked'),
    lightLeftMin: number.min(-1440).max(2880).allow(null).required(),
    depthM: number.min(0).max(100).allow(null).required(),
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
    // Left out where everybody swims back, so that a signed day stays as it was.
    pickUp: line(80).allow(''),
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
