import { drillId } from './drills';
import type { DrillId } from '@upwell/core/library';
import {
  CAUSE_IDS,
  OUTCOMES,
  SIGN_IDS,
  SIGHTINGS,
  STROKES,
  type CauseId,
  type Measured,
  type Outcome,
  type RankedCause,
  type SignsSeen,
  type Stroke,
} from '@upwell/core/review';
import { LEVELS, STROKE_MODELS, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import { isoDate, line, moment, oneOf, saved, uuid, type Saved } from './common';
import { Joi } from './joi';

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
  /** What was measured on a clip or counted; its signs are among `signs`. */
  readonly measured: Measured;
  /** Said first: at least one thing that is good. */
  readonly good: string;
  readonly focus: FocusFields;
  /** Set when this is the second look at an open focus: how it turned out. */
  readonly relook: { readonly focusId: string; readonly outcome: Outcome } | null;
}

export type ReviewSave = ReviewFields & Saved;

export const signsSchema = Joi.object()
  .pattern(oneOf(SIGN_IDS), oneOf(SIGHTINGS))
  .max(SIGN_IDS.length)
  .messages({ 'object.unknown': 'There is no such sign.' });

const angle = () => Joi.number().min(-180).max(180);
const share = () => Joi.number().min(-2).max(2);

/** Measured values, each inside what a body can do. */
export const measuredSchema = Joi.object<Measured>({
  trunkDeg: angle(),
  rollDeg: angle(),
  headTurnDeg: angle(),
  leadArmDeg: angle(),
  elbowDeg: angle(),
  pastMiddleCm: Joi.number().min(-100).max(100),
  airShare: share(),
  asymmetry: share(),
  coordination: share(),
  strokeRateSpm: Joi.number().min(5).max(200),
  oneSideShare: Joi.number().min(0).max(1),
});

export const reviewSaveSchema = Joi.object<ReviewSave>({
  swimmerId: uuid().required(),
  lookedAt: moment().required(),
  stroke: oneOf(STROKES).required(),
  model: oneOf(STROKE_MODELS).required(),
  level: oneOf(LEVELS).required(),
  signs: signsSchema.min(1).required().messages({ 'object.min': 'Note at least one thing you saw.' }),
  measured: measuredSchema.default({}),
  good: line(400).required().messages({ 'string.empty': 'Say one thing that is good first.' }),
  focus: Joi.object({
    id: uuid().required(),
    cause: oneOf(CAUSE_IDS).required(),
    drill: drillId().required(),
    cue: line(120).required(),
    tries: Joi.number().integer().min(1).max(50).required(),
    relookOn: isoDate().required(),
  }).required(),
  relook: Joi.object({ focusId: uuid().required(), outcome: oneOf(OUTCOMES).required() })
    .allow(null)
    .default(null),
  ...saved,
});

/** One try at a focus, judged at once. */
export interface TryFields {
  readonly drill: DrillId;
  readonly verdict: Outcome;
  readonly note: string;
  /** When it was swum, ISO 8601. */
  readonly at: string;
}

export const trySchema = Joi.object<TryFields>({
  drill: drillId().required(),
  verdict: oneOf(OUTCOMES).required(),
  note: line(200).allow('').default(''),
  at: moment().required(),
});

export interface TryView extends TryFields {
  readonly id: string;
}

/** What a coach changes on an open focus: the drill, and what the swimmer says, in the swimmer's own words. */
export interface FocusChange {
  readonly drill: DrillId;
  readonly saidBack: string;
  readonly felt: string;
  readonly relookOn: string;
}

export type FocusSave = FocusChange & Saved;

export const focusSaveSchema = Joi.object<FocusSave>({
  drill: drillId().required(),
  saidBack: line(200).allow('').required(),
  felt: line(200).allow('').required(),
  relookOn: isoDate().required(),
  ...saved,
});

export interface FocusView extends FocusFields {
  readonly swimmerId: string;
  readonly swimmerName: string;
  readonly since: string;
  readonly outcome: Outcome | null;
  readonly reviewId: string;
  readonly version: number;
  readonly saidBack: string;
  readonly felt: string;
  /** How the tries went, the first one first. */
  readonly triesMade: readonly TryView[];
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
  readonly measured: Measured;
  readonly good: string;
  /** The likeliest causes as they stood when it was saved. */
  readonly ranking: readonly RankedCause[];
  readonly focusCause: CauseId;
}
