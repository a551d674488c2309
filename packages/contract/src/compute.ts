import { SIGHTINGS, SIGN_IDS, STROKES, type Sighting, type Stroke } from '@upwell/core/review';
import { LEVELS, STROKE_MODELS, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import type { TimedLength, Trial } from '@upwell/core/measures';
import Joi from 'joi';
import { oneOf } from './common';

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

const trials = (least: number) =>
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

export const loadSchema = Joi.object<{ sets: { distanceM: number; effort: number }[] }>({
  sets: Joi.array()
    .items(
      Joi.object({ distanceM: Joi.number().min(0).max(1e6).required(), effort: Joi.number().min(0).max(1).required() }),
    )
    .max(2000)
    .required(),
});
