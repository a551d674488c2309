import {
  AREA_KINDS,
  COURSE_LIMIT,
  LONGEST_LEG_M,
  MOST_TRACK_POINTS,
  TURN_SIDES,
  type Course,
  type DayGroup,
  type DayReadings,
  type Decision,
  type RaceCard,
  type TrackHabits,
} from '@upwell/core/water';
import type { Drift } from '@upwell/core/measures';
import { reasonProblem } from '@upwell/core/safety';
import { HEALTH_FLAGS } from '@upwell/core/swimmers';
import { Joi } from './joi';
import { key, line, moment, momentMs, oneOf, saved, uuid, type Saved } from './common';

export interface CourseFields {
  readonly name: string;
  /** Where it is, as the coach says it. */
  readonly place: string;
  readonly course: Course;
}

export type CourseSave = CourseFields & Saved;

const number = Joi.number();
const spot = { lat: number.min(-90).max(90).required(), lon: number.min(-180).max(180).required() };
const shortId = () => key(40).required();

export const courseSchema = Joi.object<Course>({
  start: Joi.object(spot).required(),
  marks: Joi.array()
    .items(Joi.object({ id: shortId(), name: line(60).required(), turn: oneOf(TURN_SIDES).required(), ...spot }))
    .max(COURSE_LIMIT.marks)
    .unique('id')
    .required(),
  finish: Joi.object(spot).required(),
  laps: number.integer().min(1).max(COURSE_LIMIT.laps).required(),
  areas: Joi.array()
    .items(
      Joi.object({
        id: shortId(),
        kind: oneOf(AREA_KINDS).required(),
        name: line(60).allow('').required(),
        points: Joi.array().items(Joi.object(spot)).min(3).max(COURSE_LIMIT.corners).required(),
      }),
    )
    .max(COURSE_LIMIT.areas)
    .unique('id')
    .required(),
  landmarks: Joi.array()
    .items(
      Joi.object({
        id: shortId(),
        name: line(60).required(),
        widthM: number.greater(0).max(5000).required(),
        heightM: number.greater(0).max(5000).required(),
        fixed: Joi.boolean().required(),
        ...spot,
      }),
    )
    .max(COURSE_LIMIT.landmarks)
    .unique('id')
    .required(),
});

export const courseSaveSchema = Joi.object<CourseSave>({
  name: line(80).required(),
  place: line(80).allow('').required(),
  course: courseSchema.required(),
  ...saved,
});

export interface CourseView extends CourseFields {
  readonly id: string;
  readonly version: number;
}

/** One line of the list. */
export interface CourseRow {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  readonly lengthM: number;
  readonly marks: number;
  readonly laps: number;
}

export const COURSE_FILES = ['gpx', 'geojson'] as const;
export type CourseFile = (typeof COURSE_FILES)[number];
export const courseFileParams = Joi.object<{ id: string; format: CourseFile }>({
  id: uuid().required(),
  format: oneOf(COURSE_FILES).required(),
});

// The calculators.

const degrees = () => number.min(-90).max(90);
const mps = () => number.greater(0).max(3);

export interface SightingBody {
  readonly biasDegPerStroke: number;
  readonly sdDegPerStroke: number;
  readonly lookCostS: number;
  readonly strokesPerSecond: number;
}
const wander = {
  biasDegPerStroke: degrees().required(),
  sdDegPerStroke: number.min(0).max(90).required(),
  lookCostS: number.min(0).max(60).required(),
};
export const sightingSchema = Joi.object<SightingBody>({
  ...wander,
  strokesPerSecond: number.greater(0).max(4).required(),
});

export interface SimulateLegBody extends Omit<SightingBody, 'strokesPerSecond'> {
  readonly distanceM: number;
  readonly strokeLengthM: number;
  readonly speedMps: number;
  readonly aimSdDeg: number;
  readonly seeProbability: number;
  readonly turnRadiusM: number;
  readonly currentMps: { readonly along: number; readonly across: number };
  readonly intervals: readonly number[];
  readonly tracks: number;
  readonly seed: number;
}
export const simulateLegSchema = Joi.object<SimulateLegBody>({
  distanceM: number.greater(0).max(LONGEST_LEG_M).required(),
  strokeLengthM: number.min(0.1).max(5).required(),
  speedMps: mps().required(),
  ...wander,
  aimSdDeg: number.min(0).max(90).default(0),
  seeProbability: number.min(0.05).max(1).default(1),
  turnRadiusM: number.min(0.5).max(100).default(3),
  currentMps: Joi.object({ along: number.min(-3).max(3).required(), across: number.min(-3).max(3).required() }).default(
    {
      along: 0,
      across: 0,
    },
  ),
  intervals: Joi.array().items(number.integer().min(1).max(60)).min(1).max(60).unique().required(),
  tracks: number.integer().min(1).max(20_000).required(),
  seed: number
    .integer()
    .min(-(2 ** 31))
    .max(2 ** 31 - 1)
    .required(),
});

export interface CrossingBody {
  readonly swimMps: number;
  readonly crossMps: number;
  readonly alongMps: number;
}
export const crossingSchema = Joi.object<CrossingBody>({
  swimMps: mps().required(),
  crossMps: number.min(-10).max(10).required(),
  alongMps: number.min(-10).max(10).default(0),
});

export const draftingSchema = Joi.object<{ gain: number }>({ gain: number.min(0).max(1).required() });

export interface SunBody {
  readonly lat: number;
  readonly lon: number;
  readonly time: string;
}
export const sunSchema = Joi.object<SunBody>({ ...spot, time: moment().required() });

export interface SideBody {
  readonly legBearingDeg: number;
  readonly sun: { readonly bearingDeg: number; readonly altitudeDeg: number } | null;
  readonly waveFromDeg: number | null;
  readonly waveHeightM: number;
  readonly nextTurn: 'left' | 'right' | null;
}
const compass = () => number.min(-360).max(720);
export const sideSchema = Joi.object<SideBody>({
  legBearingDeg: compass().required(),
  sun: Joi.object({ bearingDeg: compass().required(), altitudeDeg: degrees().required() }).allow(null).default(null),
  waveFromDeg: compass().allow(null).default(null),
  waveHeightM: number.min(0).max(30).default(0),
  nextTurn: oneOf(TURN_SIDES).allow(null).default(null),
});

// The decision of a day.

/** What a coach signs before anybody gets in; only ever added. */
export interface WaterDayFields {
  readonly courseId: string;
  /** The planned start, ISO 8601. */
  readonly startsAt: string;
  readonly readings: DayReadings;
  readonly group: DayGroup;
  /** Which local rule or licensed person lets the head coach go although the answer was no; null without that. */
  readonly overruled: string | null;
}

export interface WaterDayView extends Omit<WaterDayFields, 'courseId'> {
  readonly id: string;
  /** Null once the course was taken out. */
  readonly courseId: string | null;
  /** Worked out from readings and group when it was signed. */
  readonly decision: Decision;
  readonly reasons: readonly string[];
  readonly signedBy: string;
  readonly signedAt: string;
}

const reading = (min: number, max: number) => number.min(min).max(max).allow(null).required();
const flag = () => Joi.boolean().allow(null).required();
const count = () => number.integer().min(0).max(500).required();

export const waterDaySchema = Joi.object<WaterDayFields>({
  courseId: uuid().required(),
  startsAt: moment().required(),
  readings: Joi.object<DayReadings>({
    waterC: reading(-3, 45),
    airC: reading(-40, 55),
    windMps: reading(0, 60),
    windFromDeg: compass().required(),
    offshoreDeg: compass().required(),
    currentMps: reading(0, 5),
    currentToDeg: compass().required(),
    waveHeightM: reading(0, 15),
    rainMm72h: reading(0, 1000),
    visibility: oneOf(['clear', 'hazy', 'fog']).allow(null).required(),
    lightning: flag(),
    sewage: flag(),
    fouled: flag(),
    traffic: oneOf(['none', 'lane', 'through']).allow(null).required(),
    wildlife: flag(),
    walked: flag(),
    lightLeftMin: reading(-1440, 2880),
    depthM: reading(0, 100),
  }).required(),
  group: Joi.object<DayGroup>({
    swimmers: count(),
    children: count(),
    minors: count().optional().default(0),
    minorsAgreed: Joi.boolean().default(false),
    settle: count(),
    firstTimers: count(),
    slowestMps: number.greater(0).max(3).required(),
    wetsuits: Joi.boolean().required(),
    watching: count(),
    craft: Joi.boolean().required(),
    stopSignal: Joi.boolean().required(),
    caller: line(80).allow('').required(),
    bright: Joi.boolean().required(),
    lights: Joi.boolean().default(false),
    warmExit: Joi.boolean().default(false),
    winterRules: Joi.boolean().default(false),
    minutes: number.integer().min(1).max(600).required(),
    swimmerIds: Joi.array().items(uuid()).unique().max(500).default([]),
    health: Joi.array()
      .items(
        Joi.object({
          swimmerId: uuid().required(),
          flag: oneOf(HEALTH_FLAGS).required(),
          answer: line(200).allow('').required(),
        }),
      )
      .max(200)
      .default([]),
  }).required(),
  overruled: line(500)
    .custom((text: string, helpers) => {
      const problem = reasonProblem(text);
      return problem ? helpers.message({ custom: problem }) : text;
    })
    .allow(null)
    .required(),
});

// A track that was swum.

/** Largest track that is sent, bytes. */
export const MOST_TRACK_BYTES = 1024 * 1024;

/** Latitude, longitude (degrees), and the moment (milliseconds since 1970). */
export type KeptPoint = readonly [lat: number, lon: number, timeMs: number];

export interface TrackFields {
  readonly swimmerId: string;
  readonly habits: TrackHabits;
  readonly points: readonly KeptPoint[];
}
export interface TrackSave extends TrackFields {
  readonly courseId: string;
}

/** One line of a list; worked out when the track was kept. */
export interface TrackRow {
  readonly id: string;
  readonly courseId: string | null;
  readonly courseName: string;
  readonly swimmerId: string;
  readonly name: string;
  /** Day of the swim, ISO date. */
  readonly on: string;
  readonly timeS: number;
  readonly swumM: number;
  readonly courseM: number;
  readonly drift: Drift | null;
}

/** With the course as it was drawn then. */
export interface TrackView extends TrackRow, TrackFields {
  readonly course: Course;
}

const trackFields = {
  swimmerId: uuid().required(),
  habits: Joi.object<TrackHabits>({
    every: number.integer().min(1).max(60).required(),
    rateSpm: number.min(20).max(140).required(),
    currentMps: number.min(0).max(5).required(),
    currentToDeg: number.min(0).max(360).required(),
  }).required(),
  points: Joi.array()
    .items(
      Joi.array().ordered(
        number.min(-90).max(90).required(),
        number.min(-180).max(180).required(),
        momentMs().integer().required(),
      ),
    )
    .min(2)
    .max(MOST_TRACK_POINTS)
    .required(),
};
export const trackSaveSchema = Joi.object<TrackSave>({ courseId: uuid().required(), ...trackFields });
/** As it stands in an archive. */
export const trackKeptSchema = Joi.object({
  courseId: uuid().allow(null).required(),
  courseName: line(80).required(),
  course: courseSchema.required(),
  ...trackFields,
});

// The race card on paper.

const words = (most: number) => Joi.array().items(line(300)).max(most).required();
/** Legs of a card on paper: more would hold up the server for seconds, and nobody would read them. */
const MOST_CARD_LEGS = 120;
/** A card as the page shows it; only printed, never kept. */
export const raceCardSchema = Joi.object<RaceCard>({
  course: line(80).required(),
  swimmer: line(120).allow('').required(),
  day: line(200).required(),
  metres: number.min(0).max(1e6).required(),
  timeS: number.min(0).max(1e6).required(),
  legs: Joi.array()
    .items(
      Joi.object({
        name: line(140).required(),
        metres: number.min(0).max(LONGEST_LEG_M).required(),
        timeS: number.min(0).max(1e6).required(),
        aim: line(200).required(),
        side: oneOf(['left', 'right', 'either']).required(),
        every: number.integer().min(1).max(60).required(),
        good: Joi.array().ordered(number.integer().required(), number.integer().required()).length(2).required(),
        rateSpm: number.min(10).max(200).required(),
        headingDeg: number.min(0).max(360).required(),
        turn: oneOf(TURN_SIDES).allow(null).required(),
      }),
    )
    .min(1)
    .max(MOST_CARD_LEGS)
    .required(),
  start: words(10),
  turns: words(10),
  feet: words(10),
  ifs: Joi.array()
    .items(Joi.object({ when: line(200).required(), then: line(300).required() }))
    .max(20)
    .required(),
  kit: words(20),
});
