// What may be asked of the computations that store nothing.
import { SIGHTINGS, SIGN_IDS, STROKES, type Sighting, type Stroke } from '@upwell/core/review';
import { LEVELS, STROKE_MODELS, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import { FASTEST_MPS, type RampRep, type TimedLength, type Trial } from '@upwell/core/measures';
import { LONGEST_TEXT, type LaneSwimmer } from '@upwell/core/sessions';
import { POOL_LENGTH } from '@upwell/core/units';
import { Joi } from './joi';
import { key, oneOf } from './common';

const positive = () => Joi.number().greater(0);
const distanceM = () => positive().max(1e6).required();

export const lengthMetricsSchema = Joi.object<TimedLength>({
  lengthM: distanceM(),
  pushOffM: Joi.number()
    .min(0)
    .less(Joi.ref('lengthM'))
    .required()
    .messages({ 'number.less': 'The push-off must be shorter than the length.' }),
  pushOffS: Joi.number()
    .min(0)
    .less(Joi.ref('timeS'))
    .required()
    .messages({ 'number.less': 'The push-off must take less than the whole time.' }),
  timeS: positive().max(1e6).required(),
  strokes: Joi.number().integer().min(1).max(10_000).required(),
});

export const trials = (least: number) =>
  Joi.array()
    .items(Joi.object<Trial>({ distanceM: distanceM(), timeS: positive().max(1e6).required() }))
    .min(least)
    .max(100)
    .required();

export const criticalSpeedSchema = Joi.object<{ trials: Trial[] }>({ trials: trials(1) });

export const raceTimeSchema = Joi.object<{ trials: Trial[]; distanceM: number }>({
  trials: trials(1),
  distanceM: distanceM(),
});

export const rateRampSchema = Joi.object<{ reps: RampRep[] }>({
  reps: Joi.array()
    .items(
      Joi.object<RampRep>({
        strokeRateSpm: positive().max(200).required(),
        speedMps: positive().max(FASTEST_MPS).required(),
      }),
    )
    .min(1)
    .max(100)
    .required(),
});

export const effortPaceSchema = Joi.object<{ v400Mps: number; effort: number }>({
  v400Mps: positive().max(3).required(),
  effort: positive().max(1).required(),
});

export interface BreathingBody {
  readonly strokeRateSpm: number;
  readonly every: number;
  readonly distanceM: number;
  readonly strokeLengthM: number;
  readonly startSide: 'left' | 'right';
}

export const breathingSchema = Joi.object<BreathingBody>({
  strokeRateSpm: positive().max(200).required(),
  every: Joi.number().integer().min(1).max(100).required(),
  distanceM: Joi.number().min(0).max(1e6).required(),
  strokeLengthM: positive().max(5).required(),
  startSide: oneOf(['left', 'right']).default('left'),
});

export interface CausesBody {
  readonly stroke: Stroke;
  readonly model: StrokeModelId;
  readonly level: LevelId;
  readonly signs: Partial<Record<string, Sighting>>;
}

export const causesSchema = Joi.object<CausesBody>({
  stroke: oneOf(STROKES).required(),
  model: oneOf(STROKE_MODELS).default('long-line'),
  level: oneOf(LEVELS).default('build'),
  signs: Joi.object()
    .pattern(oneOf(SIGN_IDS), oneOf(SIGHTINGS))
    .required()
    .messages({ 'object.unknown': 'There is no such sign.' }),
});

export interface LaneCheckBody {
  readonly poolLengthM: number;
  readonly rep: number;
  readonly swimmers: readonly LaneSwimmer[];
  readonly gapS: number;
  readonly sendOffS: number;
  readonly reps: number;
}

export const laneCheckSchema = Joi.object<LaneCheckBody>({
  poolLengthM: Joi.number().min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
  rep: positive().max(10_000).required(),
  swimmers: Joi.array()
    .items(Joi.object({ id: key().required(), speedMps: Joi.number().min(0.05).max(3).required() }))
    .min(1)
    .max(40)
    .unique('id')
    .required(),
  gapS: Joi.number().min(0).max(120).required(),
  sendOffS: positive().max(7200).required(),
  reps: Joi.number().integer().min(1).max(200).required(),
});

export interface SessionTextBody {
  readonly text: string;
  readonly poolLengthM?: number;
  readonly poolLengthYd?: number;
}

const poolLength = () => Joi.number().min(POOL_LENGTH.min).max(POOL_LENGTH.max);

export const sessionTextSchema = Joi.object<SessionTextBody>({
  text: Joi.string()
    .allow('')
    .max(LONGEST_TEXT)
    .required()
    .messages({
      'string.max': `This text is too long: a session has at most ${LONGEST_TEXT / 1000} thousand characters.`,
    }),
  poolLengthM: poolLength(),
  poolLengthYd: poolLength(),
}).oxor('poolLengthM', 'poolLengthYd');

export const loadSchema = Joi.object<{ sets: { distanceM: number; effort: number }[] }>({
  sets: Joi.array()
    .items(
      Joi.object({ distanceM: Joi.number().min(0).max(1e6).required(), effort: Joi.number().min(0).max(1).required() }),
    )
    .max(2000)
    .required(),
});
