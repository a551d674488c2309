import { DRILL_IDS, KIT_IDS, LADDER_IDS, type KitId } from '@upwell/core/library';
import { CAUSE_IDS, type CauseId } from '@upwell/core/review';
import {
  LOOP_LENGTH,
  SESSION_KINDS,
  SESSION_PLACES,
  WEEK_KINDS,
  type BuildRequest,
  type GroupPerson,
  type GroupRequest,
  type LanePerson,
  type LoadSummary,
  type Served,
  type SessionPlan,
  type ThemeServes,
} from '@upwell/core/sessions';
import { HEALTH_FLAGS, LEVELS, STROKE_MODELS, type LevelId } from '@upwell/core/swimmers';
import { POOL_LENGTH, type Pool } from '@upwell/core/units';
import { clockTime, isoDate, key, line, oneOf, saved, uuid, type Saved } from './common';
import { linkToken } from './handout';
import { blocks, groupName, paceTable, planSchema, poolFacts } from './plan';
import { Joi } from './joi';

const number = Joi.number();

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
  /** The course it is swum on; null in a pool, or on a loop that nobody drew. */
  readonly courseId: string | null;
  /** Swimmers the coach left out of sets with few breaths: they swim those breathing freely. */
  readonly breatheFreely: readonly string[];
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
  courseId: uuid().allow(null).default(null),
  breatheFreely: Joi.array().items(uuid()).unique().max(500).default([]),
  plan: planSchema.required(),
  done: Joi.object({
    plan: planSchema.required(),
    ratings: Joi.object().pattern(key(), number.min(0).max(10)).max(6).required(),
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
export interface SessionPerson extends LanePerson, GroupPerson {
  /** Strokes a minute for distance from the last rate ramp; null without one that says it. */
  readonly rateSpm: number | null;
}

export interface LoadRow {
  readonly id: string;
  readonly name: string;
  readonly level: LevelId;
  readonly squadId: string;
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
/** For a squad, or for one swimmer. */
export interface CalendarLinkSave {
  readonly squadId?: string;
  readonly swimmerId?: string;
  readonly token: string;
}
export const calendarLinkSchema = Joi.object<CalendarLinkSave>({
  squadId: uuid(),
  swimmerId: uuid(),
  token: linkToken().required(),
}).xor('squadId', 'swimmerId');
export interface CalendarLink {
  readonly id: string;
  readonly squadId: string;
  readonly swimmerId: string | null;
  readonly createdAt: string;
  readonly revoked: boolean;
}
