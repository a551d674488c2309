// What crosses the wire about a race: choices, plan, season, own week, today.

import {
  ABSENCES,
  type Outlook,
  type PlanWeek,
  type RaceChoices,
  type RaceFacts,
  type ReadyItem,
  type SquadRace,
  type SquadWeek,
  TAPER_WEEKS,
  WEEK_RANGE,
} from '@upwell/core/race';
import { CAUSE_IDS, type CauseId } from '@upwell/core/review';
import { WEEK_KINDS } from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import type { PoolTotal } from '@upwell/core/units';
import type { Schema } from 'joi';
import { Joi } from './joi';
import { isoDate, line, oneOf, saved, uuid, type Saved } from './common';
import type { FocusView } from './review';
import type { PoolTime } from './swimmers';

export { SEASON_WEEKS } from './limits';

const number = Joi.number();
const share = (most: number) => number.min(0).max(most);
/** A map by the Monday of a week. */
const byWeek = (entry: Schema) => Joi.object().pattern(isoDate(), entry).max(80);

/** What a coach decides about the way of one swimmer to a race. */
export const choicesSchema = Joi.object<RaceChoices>({
  courseId: uuid().allow(null),
  courseM: number.min(1).max(100_000),
  extraToday: share(1),
  extraThen: share(1),
  feetToday: share(1),
  feetThen: share(1),
  lostTodayS: number.min(0).max(3600),
  lostThenS: number.min(0).max(3600),
  growthLow: share(0.1),
  growthHigh: share(0.1),
  rateSpm: number.min(20).max(140),
  wetsuit: Joi.boolean(),
  wetsuitGain: share(0.15),
  currentMps: number.min(-3).max(3),
  waterC: number.min(-2).max(40).allow(null),
  rideFollows: Joi.boolean(),
  longestM: number.integer().min(10).max(100_000),
  sessionsPerWeek: number.integer().min(WEEK_RANGE.sessionsPerWeek[0]).max(WEEK_RANGE.sessionsPerWeek[1]),
  minutesPerSession: number.integer().min(WEEK_RANGE.minutesPerSession[0]).max(WEEK_RANGE.minutesPerSession[1]),
  taperWeeks: Joi.valid(...TAPER_WEEKS),
  otherRaces: Joi.array()
    .items(Joi.object({ event: line(80).required(), date: isoDate().required() }))
    .max(20),
  locks: byWeek(Joi.object({ kind: oneOf(WEEK_KINDS), load: number.min(0).max(1_000_000), theme: oneOf(CAUSE_IDS) })),
  away: byWeek(oneOf(ABSENCES)),
  marks: Joi.object({
    sighting: Joi.boolean(),
    groupStart: Joi.boolean(),
    coldDips: number.integer().min(0).max(99),
    wetsuit: Joi.boolean(),
    course: Joi.boolean(),
    longSwims: Joi.boolean(),
    fed: Joi.boolean(),
    card: Joi.boolean(),
  }),
});

export interface RacePlanSave extends Saved {
  readonly choices: RaceChoices;
}

export const racePlanSaveSchema = Joi.object<RacePlanSave>({ choices: choicesSchema.required(), ...saved });

/** Everything a race plan is worked out from; core works it out, here and on the server alike. */
export interface RacePlanView {
  readonly swimmerId: string;
  readonly name: string;
  /** 0 while no coach has decided anything yet. */
  readonly version: number;
  readonly choices: RaceChoices;
  /** Null without a goal. */
  readonly facts: RaceFacts | null;
}

/** The day where the coach stands, which the server cannot know. */
export interface DayQuery {
  readonly date: string;
}
export const dayQuerySchema = Joi.object<DayQuery>({ date: isoDate().required() });

export interface SeasonQuery {
  /** Any day of the first week. */
  readonly from: string;
  readonly squadId?: string;
  readonly cursor?: string;
  readonly limit?: number;
}

export const seasonQuerySchema = Joi.object<SeasonQuery>({
  from: isoDate().required(),
  squadId: uuid(),
  cursor: Joi.string().max(400),
  limit: number.integer().min(1).max(100).default(50),
});

export type SeasonWeek = Pick<PlanWeek, 'monday' | 'phase' | 'kind' | 'load' | 'test'>;

export interface SeasonRow {
  readonly id: string;
  readonly name: string;
  readonly level: LevelId;
  readonly squadName: string;
  readonly event: string;
  readonly raceOn: string;
  /** Null until the weeks were worked out. */
  readonly verdict: SeasonOutlook | null;
  readonly weeks: readonly SeasonWeek[];
}

/** What the season shows of an outlook. */
export interface SeasonOutlook {
  readonly verdict: (Outlook & { kind: 'gap' })['gap']['verdict'] | null;
  readonly gapS: number | null;
  readonly chance: number | null;
}

export interface SeasonSquad {
  readonly id: string;
  readonly name: string;
  readonly poolTimes: readonly PoolTime[];
  /** Everyone in it. */
  readonly swimmers: number;
  /** What the plans of those who have one come to, week by week. */
  readonly weeks: readonly SquadWeek[];
}

export interface SeasonPage {
  readonly from: string;
  readonly rows: readonly SeasonRow[];
  readonly next: string | null;
  /** On the first page only. */
  readonly races: readonly SquadRace[];
  readonly squads: readonly SeasonSquad[];
  /** Plans that were worked out before this week. */
  readonly old: number;
}

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'stopped'] as const;
export type JobState = (typeof JOB_STATES)[number];

/** Work that goes on in the background. */
export interface JobView {
  readonly id: string;
  readonly state: JobState;
  readonly done: number;
  readonly total: number;
  readonly words: string;
}

/** Plans for a day that matter on deck. */
export interface TestDue {
  readonly swimmerId: string;
  readonly name: string;
  readonly squadId: string;
  /** Monday of the week the test is planned for. */
  readonly monday: string;
}

export interface ReadyDue {
  readonly swimmerId: string;
  readonly name: string;
  readonly squadId: string;
  readonly event: string;
  readonly raceOn: string;
  /** What is missing and due within the week, or late; the first due comes first. */
  readonly missing: readonly ReadyItem[];
}

export interface LoadDue {
  /** Squad and level. */
  readonly id: string;
  readonly name: string;
  readonly squadId: string;
  readonly prompt: string;
}

/** A session of the week as the swimmer sees it. */
export interface MySession {
  readonly id: string;
  readonly title: string;
  readonly date: string;
  readonly startTime: string;
  /** Whose clock that is: the club's, or that of the course. */
  readonly timeZone: string;
  readonly minutes: number;
  readonly theme: CauseId;
  /** Metres of the swimmer's own level; null when the level is not in it. */
  readonly metres: number | null;
  /** The same in the unit of the pool, where it was kept. */
  readonly inPool?: PoolTotal | undefined;
  /** How it felt, 0–10; null before it was said. */
  readonly rating: number | null;
}

/** A swimmer's own week and nothing about anyone else. */
export interface MyWeek {
  readonly swimmerId: string;
  readonly givenName: string;
  /** Sessions of the week, and of the week before those not yet rated. */
  readonly sessions: readonly MySession[];
  readonly focus: FocusView | null;
  readonly race: MyRace | null;
  /** The weeks from this one to the race. */
  readonly weeks: readonly PlanWeek[];
  readonly ready: readonly ReadyItem[];
}

export interface MyRace {
  readonly event: string;
  readonly raceOn: string;
  readonly distanceM: number;
  readonly targetS: number | null;
  /** For the race card; null when no course was chosen. */
  readonly courseId: string | null;
  readonly outlook: Outlook | null;
}

export interface RatingSave {
  readonly value: number;
}
export const ratingSaveSchema = Joi.object<RatingSave>({ value: number.min(0).max(10).precision(1).required() });
