// What crosses the wire about swimmers and squads.
import { BREATHING_SIDES, PLACES, type BreathingSide, type Place } from './limits';
import { FASTEST_MPS } from '@upwell/core/measures';
import { TIMED_STROKES, type StrokeTime } from '@upwell/core/sessions';
import { KIT_IDS, LADDER_IDS, MARK_KINDS, type KitId, type LadderId, type LadderMark } from '@upwell/core/library';
import {
  HEALTH_FLAGS,
  LEVELS,
  STROKE_MODELS,
  type HealthFlag,
  type LevelId,
  type StrokeModelId,
} from '@upwell/core/swimmers';
import { POOL_LENGTH, type Pool } from '@upwell/core/units';
import type { CustomValidator } from 'joi';
import { clockTime, isoDate, line, moment, oneOf, saved, uuid, type Saved } from './common';
import type { ClipRow } from './clips';
import type { FocusView, ReviewView } from './review';
import { Joi } from './joi';
import { poolFacts } from './plan';

export { BREATHING_SIDES, PLACES, type BreathingSide, type Place } from './limits';

export interface RaceGoal {
  readonly event: string;
  readonly date: string;
  readonly distanceM: number;
  readonly place: Place;
  readonly targetTimeS: number | null;
}

export interface BestTime {
  readonly distanceM: number;
  readonly timeS: number;
}

/** What a coach keeps about a swimmer. */
export interface SwimmerFields {
  readonly squadId: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly level: LevelId;
  readonly birthYear: number | null;
  readonly strokeModel: StrokeModelId;
  readonly breathingSide: BreathingSide;
  readonly healthFlags: readonly HealthFlag[];
  /** Whether the swimmer, or the guardian of a child, agreed to keep health flags. */
  readonly healthConsent: boolean;
  /** Whether the guardian of a child agreed to clips. */
  readonly clipConsent: boolean;
  readonly kit: readonly KitId[];
  /** Steps passed on each ladder; a ladder that is not kept is left out. */
  readonly ladderSteps: Readonly<Partial<Record<LadderId, number>>>;
  readonly goal: RaceGoal | null;
  readonly bestTimes: readonly BestTime[];
  /** Best times in other strokes than front crawl. */
  readonly strokeTimes?: readonly StrokeTime[];
  readonly archived: boolean;
}

export type SwimmerSave = SwimmerFields & Saved;

/** The longest swim that can be planned here, metres. */
const LONGEST_M = 100_000;
const LONGEST_S = 48 * 3600;
export const notFasterThanAnybody: CustomValidator<{ readonly distanceM: number; readonly timeS: number }> = (
  value,
  helpers,
) =>
  value.distanceM / value.timeS > FASTEST_MPS
    ? helpers.message({ custom: `${value.distanceM} m in ${value.timeS} s is faster than anybody swims.` })
    : value;

export const swimmerFields = {
  squadId: uuid().required(),
  givenName: line(60).required(),
  familyName: line(60).required(),
  level: oneOf(LEVELS).required(),
  birthYear: Joi.number().integer().min(1910).max(2100).allow(null).required(),
  strokeModel: oneOf(STROKE_MODELS).required(),
  breathingSide: oneOf(BREATHING_SIDES).required(),
  healthFlags: Joi.array().items(oneOf(HEALTH_FLAGS)).unique().max(HEALTH_FLAGS.length).required(),
  healthConsent: Joi.boolean()
    .required()
    .when('healthFlags', {
      is: Joi.array().min(1),
      then: Joi.valid(true).messages({ 'any.only': 'Health notes need consent: ask first, then tick this.' }),
    }),
  clipConsent: Joi.boolean().default(false),
  kit: Joi.array().items(oneOf(KIT_IDS)).unique().max(KIT_IDS.length).required(),
  ladderSteps: Joi.object().pattern(oneOf(LADDER_IDS), Joi.number().integer().min(0).max(20)).default({}),
  goal: Joi.object({
    event: line(80).required(),
    date: isoDate().required(),
    distanceM: Joi.number().greater(0).max(LONGEST_M).required(),
    place: oneOf(PLACES).required(),
    targetTimeS: Joi.number().greater(0).max(LONGEST_S).allow(null).required(),
  })
    .allow(null)
    .required(),
  bestTimes: Joi.array()
    .items(
      Joi.object({
        distanceM: Joi.number().greater(0).max(LONGEST_M).required(),
        timeS: Joi.number().greater(0).max(LONGEST_S).required(),
      }).custom(notFasterThanAnybody),
    )
    .max(30)
    .unique('distanceM')
    .required(),
  strokeTimes: Joi.array()
    .items(
      Joi.object({
        stroke: oneOf(TIMED_STROKES).required(),
        distanceM: Joi.number().greater(0).max(1500).required(),
        timeS: Joi.number().greater(0).max(LONGEST_S).required(),
      }).custom(notFasterThanAnybody),
    )
    .max(30)
    .unique((a: StrokeTime, b: StrokeTime) => a.stroke === b.stroke && a.distanceM === b.distanceM)
    .default([]),
  archived: Joi.boolean().required(),
};

export const swimmerSaveSchema = Joi.object<SwimmerSave>({ ...swimmerFields, ...saved });

/** One tap at a ladder; its id stands in the address. */
export type LadderMarkFields = Omit<LadderMark, 'id'>;

export const ladderMarkSchema = Joi.object<LadderMarkFields>({
  ladder: oneOf(LADDER_IDS).required(),
  step: Joi.number().integer().min(0).max(20).required(),
  kind: oneOf(MARK_KINDS).required(),
  at: moment().required(),
});

export interface Swimmer extends SwimmerFields {
  readonly id: string;
  readonly version: number;
  readonly squadName: string;
  /** Under 18, or of unknown age: the record is guarded more closely. */
  readonly child: boolean;
  /** The taps at ladders, the oldest first. Missing on pages kept by an older app. */
  readonly ladderLog?: readonly LadderMark[];
}

/** One line of the list. */
export interface SwimmerRow {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly level: LevelId;
  readonly squadId: string;
  readonly squadName: string;
  readonly child: boolean;
  readonly clipConsent: boolean;
  readonly archived: boolean;
  readonly goal: RaceGoal | null;
  readonly focus: FocusView | null;
}

export interface ResultView {
  readonly id: string;
  readonly on: string;
  readonly distanceM: number;
  readonly timeS: number;
  readonly strokesPerLength: number | null;
}

/** Everything the swimmer's page shows. */
export interface SwimmerPage extends Swimmer {
  readonly focuses: readonly FocusView[];
  readonly reviews: readonly ReviewView[];
  readonly results: readonly ResultView[];
  readonly clips: readonly ClipRow[];
}

export interface SwimmerQuery {
  readonly search?: string;
  readonly squadId?: string;
  readonly level?: LevelId;
  readonly archived?: boolean;
  readonly cursor?: string;
  readonly limit?: number;
}

export const swimmerQuerySchema = Joi.object<SwimmerQuery>({
  search: Joi.string().trim().max(60).allow(''),
  squadId: uuid(),
  level: oneOf(LEVELS),
  archived: Joi.boolean().default(false),
  cursor: Joi.string().max(400),
  limit: Joi.number().integer().min(1).max(100).default(30),
});

export interface Squad {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly swimmers: number;
  readonly coachIds: readonly string[];
  readonly poolTimes: readonly PoolTime[];
  readonly archived: boolean;
}

/** Hired water: when in the week, how long, and what pool. */
export interface PoolTime {
  /** 1 is Monday, 7 Sunday. */
  readonly weekday: number;
  readonly startTime: string;
  readonly minutes: number;
  readonly pool: Pool;
  readonly lanes: number;
}

export interface SquadFields {
  readonly name: string;
  readonly coachIds: readonly string[];
  readonly poolTimes: readonly PoolTime[];
  readonly archived: boolean;
}

export type SquadSave = SquadFields & Saved;

export const squadSaveSchema = Joi.object<SquadSave>({
  name: line(60).required(),
  coachIds: Joi.array().items(uuid()).unique().max(50).required(),
  poolTimes: Joi.array()
    .items(
      Joi.object({
        weekday: Joi.number().integer().min(1).max(7).required(),
        startTime: clockTime().required(),
        minutes: Joi.number().integer().min(10).max(360).required(),
        pool: Joi.object({
          length: Joi.number().min(POOL_LENGTH.min).max(POOL_LENGTH.max).required(),
          unit: oneOf(['m', 'yd']).required(),
          ...poolFacts,
        }).required(),
        lanes: Joi.number().integer().min(1).max(20).required(),
      }),
    )
    .max(14)
    .default([]),
  archived: Joi.boolean().required(),
  ...saved,
});

/** A coach who can be put in charge of a squad. */
export interface Coach {
  readonly id: string;
  readonly name: string;
}
