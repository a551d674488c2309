// A session plan as it may be stored: blocks, sets, pool, levels.
import { KIT_IDS } from '@upwell/core/library';
import { CAUSE_IDS } from '@upwell/core/review';
import {
  BLOCK_KINDS,
  LONGEST_BLOCK_NAME,
  LONGEST_PAUSE_S,
  LOOP_LENGTH,
  MOST_BLOCKS,
  MOST_BREATHS,
  MOST_LEVELS,
  SESSION_KINDS,
  SESSION_PLACES,
  SWIM_STROKES,
  sizeProblem,
  type Block,
  type SessionPlan,
} from '@upwell/core/sessions';
import { LEVELS, STROKE_MODELS } from '@upwell/core/swimmers';
import { POOL_EDGES, POOL_LENGTH } from '@upwell/core/units';
import type { Schema } from 'joi';
import { Joi } from './joi';
import { groupName, key, line, oneOf } from './common';
import { drillId, MOST_DRILLS } from './drills';

const number = Joi.number();

/** What is known of a pool besides its length; left out when not known. */
export const poolFacts = { standingDepth: Joi.boolean(), edge: oneOf(POOL_EDGES) };

export const poolSchema = Joi.object({
  length: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
  unit: oneOf(['m', 'yd']).required(),
  ...poolFacts,
});

/** One of two shapes told apart by `kind`, so that a mistake is named in the shape that was meant. */
const byKind = (kind: string, then: Schema, otherwise: Schema) =>
  Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(kind).required() }).unknown(), { then, otherwise });

/** One of several shapes told apart by `kind`. */
export const oneKind = (shapes: Readonly<Record<string, Schema>>) => {
  const [last, ...others] = Object.entries(shapes).reverse();
  return others.reduce((rest, [kind, shape]) => byKind(kind, shape, rest), last![1]);
};

const swimSide = () => oneOf(['left', 'right']).required();
const pattern = () => number.integer().min(1).max(20).required();
const breaths = () => number.integer().min(0).max(MOST_BREATHS).required();
const kindIs = (kind: string) => ({ kind: Joi.valid(kind).required() });

/** Few breaths are let in here; whether they may be swum is for the gates of safety, which know the group. */
const breathing = oneKind({
  free: Joi.object(kindIs('free')),
  every: Joi.object({ ...kindIs('every'), strokes: pattern(), side: swimSide() }),
  'to-side': Joi.object({ ...kindIs('to-side'), side: swimSide() }),
  'by-length': Joi.object({ ...kindIs('by-length'), strokes: pattern(), side: swimSide() }),
  limited: Joi.object({ ...kindIs('limited'), first: breaths(), last: breaths(), per: Joi.valid('rep') }),
});

/** Free text in one line, so that it can stand at the end of a line of the notation. */
const noteLine = () =>
  line(400)
    .allow('')
    .pattern(/^[^\r\n]*$/, { name: 'one line' })
    .required();

const effort = () => number.min(0.3).max(1).precision(3).required();
const lengthsOfRep = () => number.multiple(0.5).min(0.5).max(800).required();

const setFields = {
  id: key().required(),
  reps: number.integer().min(1).max(200).required(),
  stroke: oneOf(SWIM_STROKES).required(),
  drill: drillId().allow(null).required(),
  effort: effort(),
  breathing: breathing.required(),
  sighting: Joi.object({ every: number.integer().min(2).max(60).required(), forBreath: Joi.boolean().required() })
    .allow(null)
    .required(),
  strokeRateSpm: number.min(20).max(140).precision(1).allow(null).required(),
  timing: Joi.object({
    kind: oneOf(['rest', 'send-off']).required(),
    seconds: number.min(0).max(7200).precision(1).required(),
  }).required(),
  kit: Joi.array().items(oneOf(KIT_IDS)).max(KIT_IDS.length).required(),
  note: noteLine(),
};

export const anySet = oneKind({
  descend: Joi.object({ ...kindIs('descend'), ...setFields, lengths: lengthsOfRep(), lastEffort: effort() }),
  halves: Joi.object({ ...kindIs('halves'), ...setFields, lengths: lengthsOfRep(), secondEffort: effort() }),
  timed: Joi.object({ ...kindIs('timed'), ...setFields, seconds: number.integer().min(1).max(7200).required() }),
  swim: Joi.object({ ...kindIs('swim'), ...setFields, lengths: lengthsOfRep() }),
});

const pause = Joi.object({
  ...kindIs('pause'),
  id: key().required(),
  seconds: number.integer().min(1).max(LONGEST_PAUSE_S).required(),
  note: noteLine(),
});

const item = byKind('rounds', Joi.link('#rounds'), byKind('pause', pause, anySet));

const rounds = Joi.object({
  kind: Joi.valid('rounds').required(),
  id: key().required(),
  rounds: number.integer().min(1).max(50).required(),
  items: Joi.array().items(item).max(40).required(),
}).id('rounds');

/** A club's own paces by effort, in rising effort. */
export const paceTable = () =>
  Joi.array()
    .items(Joi.object({ effort: effort(), share: number.min(0.2).max(1.6).required() }))
    .max(12)
    .custom((points: readonly { effort: number }[], helpers) =>
      points.every((p, i) => i === 0 || p.effort > points[i - 1]!.effort)
        ? points
        : helpers.message({ custom: 'The efforts must rise from line to line.' }),
    );

/** Speed in other strokes as a share of crawl. */
export const strokeShares = () =>
  Joi.object().pattern(oneOf(SWIM_STROKES.filter((s) => s !== 'front-crawl')), number.min(0.2).max(1.6));

export const blockSchema = Joi.object({
  kind: oneOf(BLOCK_KINDS).required(),
  id: key().required(),
  name: line(LONGEST_BLOCK_NAME).pattern(/^[^"“”=/\r\n]+$/, { name: 'a name without quotes, = and /' }),
  landMinutes: number.min(0).max(60).required(),
  items: Joi.array().items(item).max(60).required(),
  note: noteLine(),
}).shared(rounds);

/** Blocks of one group, which are refused when their rounds multiply out to more than a group can swim. */
export const blocks = (most: number) =>
  Joi.array()
    .items(blockSchema)
    .max(most)
    .custom((list: readonly Block[], helpers) => {
      const problem = sizeProblem(list);
      return problem ? helpers.message({ custom: problem }) : list;
    });

const group = Joi.object({
  id: key().required(),
  level: oneOf(LEVELS).required(),
  model: oneOf(STROKE_MODELS).required(),
  name: groupName().required(),
  swimmers: number.integer().min(0).max(200).required(),
  lanes: number.integer().min(1).max(20).required(),
  v400Mps: number.min(0.1).max(2.6).required(),
  paceIsGuess: Joi.boolean().required(),
  strokeLengthM: number.min(0.2).max(3).required(),
  paceTable: paceTable().required(),
  strokeShares: strokeShares(),
  knownDrills: Joi.array().items(drillId()).max(MOST_DRILLS).required(),
  breathRecord: Joi.object({
    lifeguard: line(80)
      .allow('')
      .pattern(/^[^"\r\n]*$/, { name: 'a name' })
      .required(),
    rulesTold: Joi.boolean().required(),
    minorsAgreed: Joi.boolean().required(),
  })
    .allow(null)
    .required(),
  note: noteLine(),
  blocks: blocks(MOST_BLOCKS).required(),
});

/** The pool, or the loop outside that takes its place. */
const courseSchema = Joi.when('place', {
  is: 'open-water',
  then: Joi.object({
    length: number.min(LOOP_LENGTH.min).max(LOOP_LENGTH.max).required(),
    unit: oneOf(['m', 'yd']).required(),
  }).required(),
  otherwise: poolSchema.required(),
});

export const planSchema = Joi.object<SessionPlan>({
  kind: oneOf(SESSION_KINDS).required(),
  theme: oneOf(CAUSE_IDS).required(),
  place: oneOf(SESSION_PLACES).required(),
  pool: courseSchema,
  minutes: number.min(1).max(360).required(),
  seed: number
    .integer()
    .min(0)
    .max(2 ** 31 - 1)
    .required(),
  note: noteLine(),
  groups: Joi.array().items(group).min(1).max(MOST_LEVELS).unique('id').required(),
});
