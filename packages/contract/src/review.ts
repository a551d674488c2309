// Reviews, focuses and tries on the wire.
import { MOST_NOTED } from './limits';
import { drillId } from './drills';
import type { DrillId } from '@upwell/core/library';
import {
  CAUSE_IDS,
  FOCUS_OUTCOMES,
  OUTCOMES,
  SIGN_IDS,
  SIGHTINGS,
  STROKES,
  type CauseId,
  type FocusOutcome,
  type Measured,
  type Outcome,
  type RankedCause,
  type SignsSeen,
  type Stroke,
} from '@upwell/core/review';
import { LEVELS, STROKE_MODELS, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import { isoDate, line, moment, oneOf, saved, uuid, type Saved } from './common';
import { Joi } from './joi';

export { MOST_NOTED } from './limits';

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
  /** What was seen besides the listed signs, in the coach's own words. */
  readonly noted: string;
  /** Said first: at least one thing that is good. */
  readonly good: string;
  /** Nothing, where the look asks for nothing new: an open focus then stays open, unless it is closed by this look. */
  readonly focus: FocusFields | null;
  /** Set when this is the second look at an open focus: how it turned out. */
  readonly relook: { readonly focusId: string; readonly outcome: FocusOutcome } | null;
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
  entryDeg: angle(),
  pastMiddleCm: Joi.number().min(-100).max(100),
  faceShare: Joi.number().min(0).max(1),
  handDepthCm: Joi.number().min(-200).max(200),
  kneeDeg: angle(),
  ankleDeg: angle(),
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
  signs: signsSchema.required().when('noted', {
    is: Joi.string().trim().min(1).required(),
    otherwise: signsSchema.min(1).messages({ 'object.min': 'Note at least one thing you saw.' }),
  }),
  measured: measuredSchema.default({}),
  noted: Joi.string().trim().max(MOST_NOTED).allow('').default(''),
  good: line(400).required().messages({ 'string.empty': 'Say one thing that is good first.' }),
  focus: Joi.object({
    id: uuid().required(),
    cause: oneOf(CAUSE_IDS).required(),
    drill: drillId().required(),
    cue: line(120).required(),
    tries: Joi.number().integer().min(1).max(50).required(),
    relookOn: isoDate().required(),
  })
    .allow(null)
    .required(),
  relook: Joi.object({ focusId: uuid().required(), outcome: oneOf(FOCUS_OUTCOMES).required() })
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

/** What a coach changes on an open focus: drill and cue, and what the swimmer says, in the swimmer's own words. */
export interface FocusChange {
  readonly drill: DrillId;
  /** Both are left out by a device with an older app, and then stay. */
  readonly cue?: string;
  readonly tries?: number;
  readonly saidBack: string;
  readonly felt: string;
  readonly relookOn: string;
}

export type FocusSave = FocusChange & Saved;

export const focusSaveSchema = Joi.object<FocusSave>({
  drill: drillId().required(),
  cue: line(120),
  tries: Joi.number().integer().min(1).max(50),
  saidBack: line(200).allow('').required(),
  felt: line(200).allow('').required(),
  relookOn: isoDate().required(),
  ...saved,
});

export interface FocusView extends FocusFields {
  readonly swimmerId: string;
  readonly swimmerName: string;
  readonly since: string;
  readonly outcome: FocusOutcome | null;
  /** When it was closed; a focus that another one replaced has no outcome. Missing on pages kept by an older app. */
  readonly closedAt?: string | null;
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
  /** Missing on pages kept by an older app. */
  readonly noted?: string;
  readonly good: string;
  /** The likeliest causes as they stood when it was saved. */
  readonly ranking: readonly RankedCause[];
  /** Nothing where the look asked for nothing new. */
  readonly focusCause: CauseId | null;
}
