import type { CauseId } from '@upwell/core/review';
import {
  type GroupPerson,
  type LanePerson,
  MOST_BY_HAND,
  MOST_GUESTS,
  type SessionPlan,
  type Tonight,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import type { PoolTotal } from '@upwell/core/units';
import { clockTime, isoDate, key, line, saved, uuid, type Saved } from '../common';
import { planSchema } from '../plan';
import { Joi } from '../joi';
import { number } from './build';

/** What was swum in the end. */
export interface SessionDone {
  readonly plan: SessionPlan;
  /** How hard it felt, 0–10, by group; left out when no one was asked. */
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
  /** The course it is swum on; null in a pool, or on a loop that is not drawn. */
  readonly courseId: string | null;
  /** Swimmers the coach left out of sets with few breaths: they swim those breathing freely. */
  readonly breatheFreely: readonly string[];
  /** Who is away, who is a guest, and who was put where by hand; an app that does not know of it leaves it as it is. */
  readonly tonight?: Tonight;
  readonly plan: SessionPlan;
  readonly done: SessionDone | null;
}

export type SessionSave = SessionFields & Saved;

export const titleLine = () => line(120).pattern(/^[^\r\n]*$/, { name: 'one line' });

export const sessionSaveSchema = Joi.object<SessionSave>({
  title: titleLine().required(),
  date: isoDate().required(),
  startTime: clockTime().required(),
  squadIds: Joi.array().items(uuid()).unique().max(20).required(),
  template: Joi.boolean().default(false),
  seriesId: uuid().allow(null).default(null),
  courseId: uuid().allow(null).default(null),
  breatheFreely: Joi.array().items(uuid()).unique().max(500).default([]),
  tonight: Joi.object<Tonight>({
    away: Joi.array().items(uuid()).unique().max(MOST_BY_HAND).required(),
    guests: Joi.array().items(uuid()).unique().max(MOST_GUESTS).required(),
    places: Joi.object()
      .pattern(uuid(), Joi.object({ group: key().required(), lane: number.integer().min(1).max(20).required() }))
      .max(MOST_BY_HAND)
      .required(),
  }),
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
  /** Whose clock its time is of: the club's, or that of the course. */
  readonly timeZone: string;
  readonly version: number;
}

/** One line of the list: without the plan. */
export interface SessionRow {
  readonly id: string;
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  /** Whose clock that is: the club's, or that of the course. */
  readonly timeZone: string;
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
  /** The same in the unit of the pool; not kept beside what was stored before it was. */
  readonly inPool?: PoolTotal;
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

/** Who is asked for: those who come tonight, or everybody who could. */
export interface SessionPeopleQuery {
  /** Everybody of the squads and `guests`, as if nothing were settled by hand. */
  readonly everybody?: boolean;
  /** Others who are thought of as guests. */
  readonly guests?: readonly string[];
}

export const sessionPeopleQuerySchema = Joi.object<SessionPeopleQuery>({
  everybody: Joi.boolean().default(false),
  guests: Joi.array().items(uuid()).single().max(MOST_GUESTS),
});

/** Somebody in a group of a session, for the lanes. */
export interface SessionPerson extends LanePerson, GroupPerson {
  /** Strokes a minute for distance from the last rate ramp; null without one that says it. */
  readonly rateSpm: number | null;
}
