// What the builder is asked, and what is proposed to ask it.
import { MOST_DRILLS, drillId } from '../drills';
import { KIT_IDS, LADDER_IDS, type KitId } from '@upwell/core/library';
import { CAUSE_IDS } from '@upwell/core/review';
import {
  LOOP_LENGTH,
  SESSION_KINDS,
  SESSION_PLACES,
  WEEK_KINDS,
  type BuildRequest,
  type GroupPerson,
  type GroupRequest,
  type Served,
  type ThemeServes,
} from '@upwell/core/sessions';
import { HEALTH_FLAGS, LEVELS, STROKE_MODELS, type LevelId } from '@upwell/core/swimmers';
import { POOL_LENGTH, type Pool } from '@upwell/core/units';
import { groupName, isoDate, oneOf, uuid } from '../common';
import { blocks, paceTable, poolFacts, strokeShares } from '../plan';
import { Joi } from '../joi';

export const number = Joi.number();

/** What the squads bring to a new session. */
export interface SessionProposal {
  /** One per level: pace, open focuses, drills they know, load left. */
  readonly groups: readonly GroupRequest[];
  /** Themes by how many of the swimmers they serve, by focus or by plan. */
  readonly themes: readonly ThemeServes[];
  /** What each of them works on, by level. */
  readonly served: readonly (Served & { readonly id: string; readonly level: LevelId })[];
  readonly swimmers: number;
  /** Kit the club owns. */
  readonly kit: readonly KitId[];
  /** Swimmers a lane holds by the club's rule; null takes the default. */
  readonly laneCapacity: number | null;
  /** Who comes, as far as safety is concerned. */
  readonly people: readonly GroupPerson[];
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
export interface BuildBody extends Omit<BuildRequest, 'pool'>, Pick<Pool, 'standingDepth' | 'edge'> {
  readonly poolLengthM?: number;
  readonly poolLengthYd?: number;
  /** Open water: metres of one loop. */
  readonly loopM?: number;
}

export const buildBodySchema = Joi.object<BuildBody>({
  kind: oneOf(SESSION_KINDS).default('aerobic'),
  theme: oneOf(CAUSE_IDS).required(),
  minutes: number.min(1).max(360).required(),
  poolLengthM: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  poolLengthYd: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  ...poolFacts,
  loopM: number.min(LOOP_LENGTH.min).max(LOOP_LENGTH.max),
  place: oneOf(SESSION_PLACES).default('pool'),
  week: oneOf(WEEK_KINDS).default('normal'),
  kit: Joi.array().items(oneOf(KIT_IDS)).max(KIT_IDS.length).default([]),
  fillHour: Joi.boolean().default(false),
  seed: number
    .integer()
    .min(0)
    .max(2 ** 31 - 1)
    .default(1),
  groups: Joi.array()
    .items(
      Joi.object({
        level: oneOf(LEVELS).required(),
        name: groupName(),
        swimmers: number.integer().min(0).max(200).default(8),
        lanes: number.integer().min(1).max(20).default(1),
        v400Mps: number.min(0.1).max(2.6).allow(null).default(null),
        strokeLengthM: number.min(0.2).max(3).allow(null).default(null),
        model: oneOf(STROKE_MODELS),
        knownDrills: Joi.array().items(drillId()).max(MOST_DRILLS).default([]),
        focuses: Joi.array().items(oneOf(CAUSE_IDS)).max(300).default([]),
        healthFlags: Joi.array().items(oneOf(HEALTH_FLAGS)).max(HEALTH_FLAGS.length).default([]),
        lengths: number.integer().min(1).max(2000).allow(null).default(null),
        ladderSteps: Joi.object().pattern(oneOf(LADDER_IDS), number.integer().min(0).max(20)),
        paceTable: paceTable().default([]),
        strokeShares: strokeShares(),
        locked: blocks(6).default([]),
        loadLimit: number.greater(0).max(1e6).allow(null).default(null),
      }),
    )
    .min(1)
    .max(6)
    .required(),
})
  .xor('poolLengthM', 'poolLengthYd', 'loopM')
  .when(Joi.object({ place: Joi.valid('open-water').required() }).unknown(), {
    then: Joi.object({ loopM: Joi.required().messages({ 'any.required': 'Say the metres of one loop.' }) }),
  })
  .messages({
    'object.missing': 'Say the length of the pool, in metres or in yards, or of the loop outside.',
    'object.xor': 'Say the length of the pool or of the loop once.',
  });
