import { DRILL_IDS, KIT_IDS, LADDER_IDS, type KitId } from '@upwell/core/library';
import { CAUSE_IDS, type CauseId } from '@upwell/core/review';
import {
  BLOCK_KINDS,
  LOOP_LENGTH,
  SESSION_KINDS,
  SESSION_PLACES,
  SWIM_STROKES,
  WEEK_KINDS,
  type BuildRequest,
  type GroupPeople,
  type GroupRequest,
  type LanePerson,
  type LoadSummary,
  type SessionPlan,
} from '@upwell/core/sessions';
import { HEALTH_FLAGS, LEVELS, STROKE_MODELS, type LevelId } from '@upwell/core/swimmers';
import { POOL_LENGTH } from '@upwell/core/units';
import Joi from 'joi';
import { clockTime, isoDate, line, oneOf, saved, uuid, type Saved } from './common';
import { linkToken } from './handout';

const number = Joi.number();

export const poolSchema = Joi.object({
  length: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
  unit: oneOf(['m', 'yd']).required(),
});

/** One of two shapes told apart by `kind`, so that a mistake is named in the shape that was meant. */
const byKind = (kind: string, then: Joi.Schema, otherwise: Joi.Schema) =>
  Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(kind).required() }).unknown(), { then, otherwise });

/** One of several shapes told apart by `kind`. */
const oneKind = (shapes: Readonly<Record<string, Joi.Schema>>) => {
  const [last, ...others] = Object.entries(shapes).reverse();
  return others.reduce((rest, [kind, shape]) => byKind(kind, shape, rest), last![1]);
};

const swimSide = () => oneOf(['left', 'right']).required();
const pattern = () => number.integer().min(1).max(20).required();
const breaths = () => number.integer().min(0).max(30).required();
const kindIs = (kind: string) => ({ kind: Joi.valid(kind).required() });

/** Few breaths are let in here; whether they may be swum is for the gates of safety, which know the group. */
const breathing = oneKind({
  free: Joi.object(kindIs('free')),
  every: Joi.object({ ...kindIs('every'), strokes: pattern(), side: swimSide() }),
  'to-side': Joi.object({ ...kindIs('to-side'), side: swimSide() }),
  'by-length': Joi.object({ ...kindIs('by-length'), strokes: pattern(), side: swimSide() }),
  limited: Joi.object({ ...kindIs('limited'), first: breaths(), last: breaths() }),
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
  id: line(60).required(),
  reps: number.integer().min(1).max(200).required(),
  stroke: oneOf(SWIM_STROKES).required(),
  drill: oneOf(DRILL_IDS).allow(null).required(),
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

const anySet = oneKind({
  halves: Joi.object({ ...kindIs('halves'), ...setFields, lengths: lengthsOfRep(), secondEffort: effort() }),
  timed: Joi.object({ ...kindIs('timed'), ...setFields, seconds: number.integer().min(1).max(7200).required() }),
  swim: Joi.object({ ...kindIs('swim'), ...setFields, lengths: lengthsOfRep() }),
});

const item = byKind('rounds', Joi.link('#rounds'), anySet);

const rounds = Joi.object({
  kind: Joi.valid('rounds').required(),
  id: line(60).required(),
  rounds: number.integer().min(1).max(50).required(),
  items: Joi.array().items(item).max(40).required(),
}).id('rounds');

/** A name that can stand in a heading of the notation. */
const groupName = () => line(60).pattern(/^[^=/\r\n]+$/, { name: 'a name without = and /' });

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

const block = Joi.object({
  kind: oneOf(BLOCK_KINDS).required(),
  id: line(60).required(),
  landMinutes: number.min(0).max(60).required(),
  items: Joi.array().items(item).max(60).required(),
  note: noteLine(),
}).shared(rounds);

const group = Joi.object({
  id: line(60).required(),
  level: oneOf(LEVELS).required(),
  model: oneOf(STROKE_MODELS).required(),
  name: groupName().required(),
  swimmers: number.integer().min(0).max(200).required(),
  lanes: number.integer().min(1).max(20).required(),
  v400Mps: number.min(0.1).max(2.6).required(),
  paceIsGuess: Joi.boolean().required(),
  strokeLengthM: number.min(0.2).max(3).required(),
  paceTable: paceTable().required(),
  knownDrills: Joi.array().items(oneOf(DRILL_IDS)).max(DRILL_IDS.length).required(),
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
  blocks: Joi.array().items(block).max(12).required(),
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
  groups: Joi.array().items(group).min(1).max(6).unique('id').required(),
});

/** What was swum in the end. */
export interface SessionDone {
  readonly plan: SessionPlan;
  /** How hard it felt, 0–10, by group; left out when nobody was asked. */
  readonly ratings: Readonly<Record<string, number>>;
  readonly note: string;
}

export interface SessionFields {
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  readonly squadIds: readonly string[];
  /** A template has no day of its own; its date is when it was made. */
  readonly template: boolean;
  /** Sessions made together as a series share this. */
  readonly seriesId: string | null;
  readonly plan: SessionPlan;
  readonly done: SessionDone | null;
}

export type SessionSave = SessionFields & Saved;

const titleLine = () => line(120).pattern(/^[^\r\n]*$/, { name: 'one line' });

export const sessionSaveSchema = Joi.object<SessionSave>({
  title: titleLine().required(),
  date: isoDate().required(),
  startTime: clockTime().required(),
  squadIds: Joi.array().items(uuid()).unique().max(20).required(),
  template: Joi.boolean().default(false),
  seriesId: uuid().allow(null).default(null),
  plan: planSchema.required(),
  done: Joi.object({
    plan: planSchema.required(),
    ratings: Joi.object().pattern(line(60), number.min(0).max(10)).max(6).required(),
    note: line(1000).allow('').required(),
  })
    .allow(null)
    .default(null),
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
  readonly squadIds: readonly string[];
  readonly template: boolean;
  readonly seriesId: string | null;
  /** Whether it was noted what was swum. */
  readonly done: boolean;
  readonly groups: readonly GroupSummary[];
}

/** A group in a list: its totals, as swum when that was noted. */
export interface GroupSummary {
  readonly name: string;
  readonly level: LevelId;
  readonly metres: number;
  readonly load: number;
  /** Rating × minutes, where the group was asked. */
  readonly felt?: number;
}

export interface SessionQuery {
  readonly from?: string;
  readonly to?: string;
  /** Words of the title or the theme. */
  readonly search?: string;
  readonly squadId?: string;
  /** Templates instead of sessions with a day. */
  readonly templates?: boolean;
  readonly limit?: number;
}

export const sessionQuerySchema = Joi.object<SessionQuery>({
  from: isoDate(),
  to: isoDate(),
  search: line(60).allow(''),
  squadId: uuid(),
  templates: Joi.boolean().default(false),
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
  /** Swimmers a lane holds by the club's rule; null takes the default. */
  readonly laneCapacity: number | null;
  /** Who is in each group as far as safety is concerned, by level. */
  readonly people: Readonly<Partial<Record<LevelId, GroupPeople>>>;
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
  /** Open water: metres of one loop. */
  readonly loopM?: number;
}

export const buildBodySchema = Joi.object<BuildBody>({
  kind: oneOf(SESSION_KINDS).default('aerobic'),
  theme: oneOf(CAUSE_IDS).required(),
  minutes: number.min(1).max(360).required(),
  poolLengthM: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  poolLengthYd: number.min(POOL_LENGTH.min).max(POOL_LENGTH.max),
  loopM: number.min(LOOP_LENGTH.min).max(LOOP_LENGTH.max),
  place: oneOf(SESSION_PLACES).default('pool'),
  week: oneOf(WEEK_KINDS).default('normal'),
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
        name: groupName(),
        swimmers: number.integer().min(0).max(200).default(8),
        lanes: number.integer().min(1).max(20).default(1),
        v400Mps: number.min(0.1).max(2.6).allow(null).default(null),
        strokeLengthM: number.min(0.2).max(3).allow(null).default(null),
        model: oneOf(STROKE_MODELS),
        knownDrills: Joi.array().items(oneOf(DRILL_IDS)).max(DRILL_IDS.length).default([]),
        focuses: Joi.array().items(oneOf(CAUSE_IDS)).max(300).default([]),
        healthFlags: Joi.array().items(oneOf(HEALTH_FLAGS)).max(HEALTH_FLAGS.length).default([]),
        lengths: number.integer().min(1).max(2000).allow(null).default(null),
        ladderSteps: Joi.object().pattern(oneOf(LADDER_IDS), number.integer().min(0).max(20)),
        paceTable: paceTable().default([]),
        locked: Joi.array().items(block).max(6).default([]),
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

/** A session as a JSON file. */
export interface SessionFile {
  readonly format: 'upwell-session';
  readonly version: 1;
  readonly title: string;
  readonly date: string | null;
  readonly startTime: string | null;
  readonly plan: SessionPlan;
}

export const sessionFileSchema = Joi.object<SessionFile>({
  format: Joi.valid('upwell-session').required(),
  version: Joi.valid(1).required(),
  title: titleLine().allow('').required(),
  date: isoDate().allow(null).required(),
  startTime: clockTime().allow(null).required(),
  plan: planSchema.required(),
});

/** Formats a stored session can be taken away in. */
export const EXPORT_FORMATS = ['upwell', 'json', 'csv', 'ics'] as const;
export type ExportFormat = (typeof EXPORT_FORMATS)[number];

export const SHEET_SIZES = ['A5', 'A4'] as const;
export const SHEET_PER = ['level', 'lane'] as const;
export interface SheetQuery {
  readonly size: (typeof SHEET_SIZES)[number];
  readonly per: (typeof SHEET_PER)[number];
}
export const sheetQuerySchema = Joi.object<SheetQuery>({
  size: oneOf(SHEET_SIZES).default('A5'),
  per: oneOf(SHEET_PER).default('level'),
});

/** Somebody in a group of a session, for the lanes. */
export interface SessionPerson extends LanePerson {
  readonly level: LevelId;
  readonly child: boolean;
}

export interface LoadRow {
  readonly id: string;
  readonly name: string;
  readonly level: LevelId;
  readonly squadName: string;
  readonly summary: LoadSummary;
  readonly prompts: readonly string[];
  /** Rating × minutes of the last seven days; null when nobody was asked. */
  readonly feltWeek: number | null;
}

/** Load of the swimmers one coaches, and of each squad and level. */
export interface LoadView {
  readonly date: string;
  readonly swimmers: readonly LoadRow[];
  readonly groups: readonly LoadRow[];
}

/** A secret address where a calendar finds the sessions of a squad. */
export interface CalendarLinkSave {
  readonly squadId: string;
  readonly token: string;
}
export const calendarLinkSchema = Joi.object<CalendarLinkSave>({
  squadId: uuid().required(),
  token: linkToken().required(),
});
export interface CalendarLink {
  readonly id: string;
  readonly squadId: string;
  readonly createdAt: string;
  readonly revoked: boolean;
}
