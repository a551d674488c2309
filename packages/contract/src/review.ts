import { DRILL_IDS, type DrillId } from '@upwell/core/library';
import {
  CAUSE_IDS,
  SIGN_IDS,
  SIGHTINGS,
  STROKES,
  type CauseId,
  type Outcome,
  type RankedCause,
  type SignsSeen,
  type Stroke,
} from '@upwell/core/review';
import { LEVELS, STROKE_MODELS, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import Joi from 'joi';
import { isoDate, line, oneOf, saved, uuid, type Saved } from './common';

/** The one thing to work on. */
export interface FocusFields {
  readonly id: string;
  readonly cause: CauseId;
  readonly drill: DrillId;
  readonly cue: string;
  readonly tries: number;
  readonly relookOn: string;
}

export interface ReviewFields {
  readonly swimmerId: string;
  readonly lookedAt: string;
  readonly stroke: Stroke;
  readonly model: StrokeModelId;
  readonly level: LevelId;
  readonly signs: SignsSeen;
  /** Said first: at least one thing that is good. */
  readonly good: string;
  readonly focus: FocusFields;
}

export type ReviewSave = ReviewFields & Saved;

export const signsSchema = Joi.object()
  .pattern(oneOf(SIGN_IDS), oneOf(SIGHTINGS))
  .max(SIGN_IDS.length)
  .messages({ 'object.unknown': 'There is no such sign.' });

export const reviewSaveSchema = Joi.object<ReviewSave>({
  swimmerId: uuid().required(),
  lookedAt: Joi.string().isoDate().max(40).required(),
  stroke: oneOf(STROKES).required(),
  model: oneOf(STROKE_MODELS).required(),
  level: oneOf(LEVELS).required(),
  signs: signsSchema.min(1).required().messages({ 'object.min': 'Note at least one thing you saw.' }),
  good: line(400).required().messages({ 'string.empty': 'Say one thing that is good first.' }),
  focus: Joi.object({
    id: uuid().required(),
    cause: oneOf(CAUSE_IDS).required(),
    drill: oneOf(DRILL_IDS).required(),
    cue: line(120).required(),
    tries: Joi.number().integer().min(1).max(50).required(),
    relookOn: isoDate().required(),
  }).required(),
  ...saved,
});

export interface FocusView extends FocusFields {
  readonly swimmerId: string;
  readonly swimmerName: string;
  readonly since: string;
  readonly outcome: Outcome | null;
}

export interface ReviewView {
  readonly id: string;
  readonly version: number;
  readonly swimmerId: string;
  readonly coachName: string;
  readonly lookedAt: string;
  readonly stroke: Stroke;
  readonly model: StrokeModelId;
  readonly level: LevelId;
  readonly signs: SignsSeen;
  readonly good: string;
  /** The likeliest causes as they stood when it was saved. */
  readonly ranking: readonly RankedCause[];
  readonly focusCause: CauseId;
}
