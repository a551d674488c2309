import { DRILL_IDS, KIT_IDS, type KitId } from '@upwell/core/library';
import { CAUSE_IDS, type CauseId } from '@upwell/core/review';
import { BREATH_LIMIT_REASON, LONGEST_OPEN_PATTERN } from '@upwell/core/safety';
import {
  BLOCK_KINDS,
  SESSION_KINDS,
  SWIM_STROKES,
  type BuildRequest,
  type GroupRequest,
  type SessionPlan,
} from '@upwell/core/sessions';
import { HEALTH_FLAGS, LEVELS, STROKE_MODELS, type LevelId } from '@upwell/core/swimmers';
import { POOL_LENGTH } from '@upwell/core/units';
import Joi from 'joi';
import { clockTime, isoDate, line, oneOf, saved, uuid, type Saved } from './common';

const number = Joi.number();

export const poolSchema = Joi.object({
  length: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
  unit: oneOf(['m', 'yd']).required(),
});

/** One of two shapes told apart by `kind`, so that a mistake is named in the shape that was meant. */
const byKind = (kind: string, then: Joi.Schema, otherwise: Joi.Schema) =>
  Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(kind).required() }).unknown(), { then, otherwise });

const freeBreathing = Joi.object({ kind: Joi.valid('free').required() });
const everyPattern = Joi.object({
  kind: Joi.valid('every').required(),
  strokes: number.integer().min(1).max(LONGEST_OPEN_PATTERN).required().messages({ 'number.max': BREATH_LIMIT_REASON }),
  side: oneOf(['left', 'right']).required(),
});

const swimSet = Joi.object({
  kind: Joi.valid('swim').required(),
  id: line(60).required(),
  reps: number.integer().min(1).max(200).required(),
  lengths: number.multiple(0.5).min(0.5).max(800).required(),
  stroke: oneOf(SWIM_STROKES).required(),
  drill: oneOf(DRILL_IDS).allow(null).required(),
  effort: number.min(0.3).max(1).required(),
  breathing: byKind('every', everyPattern, freeBreathing).required(),
  sightEvery: number.integer().min(2).max(60).allow(null).required(),
  strokeRateSpm: number.min(20).max(140).allow(null).required(),
  timing: Joi.object({
    kind: oneOf(['rest', 'send-off']).required(),
    seconds: number.min(0).max(7200).required(),
  }).required(),
  kit: Joi.array().items(oneOf(KIT_IDS)).max(KIT_IDS.length).required(),
  note: line(400).allow('').required(),
});

const item = byKind('rounds', Joi.link('#rounds'), swimSet);

const rounds = Joi.object({
  kind: Joi.valid('rounds').required(),
  id: line(60).required(),
  rounds: number.integer().min(1).max(50).required(),
  items: Joi.array().items(item).max(40).required(),
}).id('rounds');

const block = Joi.object({
  kind: oneOf(BLOCK_KINDS).required(),
  id: line(60).required(),
  landMinutes: number.min(0).max(60).required(),
  items: Joi.array().items(item).max(60).required(),
  note: line(400).allow('').required(),
}).shared(rounds);

const group = Joi.object({
  id: line(60).required(),
  level: oneOf(LEVELS).required(),
  name: line(60).required(),
  swimmers: number.integer().min(0).max(200).required(),
  lanes: number.integer().min(1).max(20).required(),
  v400Mps: number.min(0.1).max(2.6).required(),
  paceIsGuess: Joi.boolean().required(),
  strokeLengthM: number.min(0.2).max(3).required(),
  knownDrills: Joi.array().items(oneOf(DRILL_IDS)).max(DRILL_IDS.length).required(),
  blocks: Joi.array().items(block).max(12).required(),
});

export const planSchema = Joi.object<SessionPlan>({
  kind: oneOf(SESSION_KINDS).required(),
  theme: oneOf(CAUSE_IDS).required(),
  pool: poolSchema.required(),
  minutes: number.min(1).max(360).required(),
  seed: number
    .integer()
    .min(0)
    .max(2 ** 31 - 1)
    .required(),
  groups: Joi.array().items(group).min(1).max(6).required(),
});

export interface SessionFields {
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  readonly squadIds: readonly string[];
  readonly plan: SessionPlan;
}

export type SessionSave = SessionFields & Saved;

export const sessionSaveSchema = Joi.object<SessionSave>({
  title: line(120).required(),
  date: isoDate().required(),
  startTime: clockTime().required(),
  squadIds: Joi.array().items(uuid()).unique().max(20).required(),
  plan: planSchema.required(),
  ...saved,
});

export interface SessionView extends SessionFields {
  readonly id: string;
  readonly version: number;
}

/** One line of the list: without the plan. */
export interface SessionRow {
  readonly id: string;
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  readonly theme: CauseId;
  readonly minutes: number;
  readonly groups: readonly {
    readonly name: string;
    readonly level: LevelId;
    readonly metres: number;
    readonly load: number;
  }[];
}

export interface SessionQuery {
  readonly from?: string;
  readonly to?: string;
  readonly limit?: number;
}

export const sessionQuerySchema = Joi.object<SessionQuery>({
  from: isoDate(),
  to: isoDate(),
  limit: number.integer().min(1).max(200).default(50),
});

/** What the squads bring to a new session. */
export interface SessionProposal {
  /** One per level: pace, open focuses, drills they know, load left. */
  readonly groups: readonly GroupRequest[];
  /** Themes by how many of the swimmers they serve. */
  readonly themes: readonly { readonly cause: CauseId; readonly swimmers: number }[];
  readonly swimmers: number;
  /** Kit the club owns. */
  readonly kit: readonly KitId[];
}

export interface ProposalQuery {
  readonly squadIds: readonly string[];
  readonly date: string;
}

export const proposalQuerySchema = Joi.object<ProposalQuery>({
  squadIds: Joi.array().items(uuid()).single().max(20).default([]),
  date: isoDate().required(),
});

/** The request of the builder as it crosses the wire; the pool may be given in metres or yards. */
export interface BuildBody extends Omit<BuildRequest, 'pool'> {
  readonly poolLengthM?: number;
  readonly poolLengthYd?: number;
  readonly place: 'pool';
}

export const buildBodySchema = Joi.object<BuildBody>({
  kind: oneOf(SESSION_KINDS).default('aerobic'),
  theme: oneOf(CAUSE_IDS).required(),
  minutes: number.min(1).max(360).required(),
  poolLengthM: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  poolLengthYd: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  place: oneOf(['pool']).default('pool'),
  kit: Joi.array().items(oneOf(KIT_IDS)).max(KIT_IDS.length).default([]),
  seed: number
    .integer()
    .min(0)
    .max(2 ** 31 - 1)
    .default(1),
  groups: Joi.array()
    .items(
      Joi.object({
        level: oneOf(LEVELS).required(),
        name: line(60),
        swimmers: number.integer().min(0).max(200).default(8),
        lanes: number.integer().min(1).max(20).default(1),
        v400Mps: number.min(0.1).max(2.6).allow(null).default(null),
        strokeLengthM: number.min(0.2).max(3).allow(null).default(null),
        model: oneOf(STROKE_MODELS),
        knownDrills: Joi.array().items(oneOf(DRILL_IDS)).max(DRILL_IDS.length).default([]),
        focuses: Joi.array().items(oneOf(CAUSE_IDS)).max(300).default([]),
        healthFlags: Joi.array().items(oneOf(HEALTH_FLAGS)).max(HEALTH_FLAGS.length).default([]),
        lengths: number.integer().min(1).max(2000).allow(null).default(null),
        loadLimit: number.greater(0).max(1e6).allow(null).default(null),
      }),
    )
    .min(1)
    .max(6)
    .required(),
})
  .xor('poolLengthM', 'poolLengthYd')
  .messages({
    'object.missing': 'Say the length of the pool, in metres or in yards.',
    'object.xor': 'Say the length of the pool once, in metres or in yards.',
  });
