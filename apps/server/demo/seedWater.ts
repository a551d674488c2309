// Courses of the demo bay, and tracks that were swum on them.
import { momentIn } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import type { KeptPoint } from '@upwell/contract/water';
import {
  cleanTrack,
  decideDay,
  DEMO_BAY,
  lengthOf,
  legsOf,
  movedCourse,
  NEW_GROUP,
  planeAround,
  simulatedTrack,
  type Area,
  type DayGroup,
  type DayReadings,
  type Course,
  type Landmark,
  type Mark,
  type WaterRead,
} from '@upwell/core/water';
import { RAD } from '@upwell/core/units';
import { trackSummary } from '../src/water';
import { CourseEntity } from '../src/water/entities';
import { CLUB } from './people';
import { idFor } from './random';
import { CLUB_ID, isoDay } from './shared';

const plane = planeAround(DEMO_BAY);
/** Metres east and north of the slip at Quill Water. */
const at = (x: number, y: number) => plane.toPlace({ x, y });
const corners = (...points: readonly (readonly [number, number])[]) => points.map(([x, y]) => at(x, y));

const AREAS: readonly Area[] = [
  {
    id: 'south',
    kind: 'land',
    name: 'South shore',
    points: corners(
      ...([
        [-900, -60],
        [-620, 40],
        [-340, 10],
        [-60, 22],
        [120, 8],
        [380, -30],
        [700, 30],
        [1150, -20],
        [1150, -420],
        [-900, -420],
      ] as const),
    ),
  },
  {
    id: 'north',
    kind: 'land',
    name: 'Alder Ness',
    points: corners(
      ...([
        [-700, 1240],
        [-350, 1130],
        [80, 1180],
        [520, 1090],
        [1150, 1200],
        [1150, 1560],
        [-700, 1560],
      ] as const),
    ),
  },
  {
    id: 'boats',
    kind: 'forbidden',
    name: 'the boat lane',
    points: corners([-640, 380], [-480, 380], [-480, 1000], [-640, 1000]),
  },
];

const LANDMARKS: readonly Landmark[] = [
  { id: 'notch', name: 'the notch in the ridge', widthM: 260, heightM: 140, fixed: true, ...at(-490, 2600) },
  { id: 'barn', name: 'the barn roof', widthM: 26, heightM: 14, fixed: true, ...at(1090, 560) },
  { id: 'poplars', name: 'the three poplars', widthM: 34, heightM: 24, fixed: true, ...at(-20, -160) },
  { id: 'chapel', name: 'the chapel on the hill', widthM: 18, heightM: 30, fixed: true, ...at(-820, -240) },
  { id: 'barge', name: 'the moored barge', widthM: 22, heightM: 6, fixed: false, ...at(60, 900) },
];

const mark = (id: string, x: number, y: number, turn: Mark['turn']): Mark => ({ id, name: id, turn, ...at(x, y) });

/** Where a part of the club trains in a camp. */
export const CAMP = 'Sable Point Camp';

const COURSES: readonly { readonly name: string; readonly place?: string; readonly course: Course }[] = [
  {
    name: 'Lantern Mile',
    course: {
      start: at(20, 12),
      marks: [mark('1', -140, 420, 'right'), mark('2', 360, 470, 'right'), mark('3', 330, 90, 'right')],
      finish: at(30, 14),
      laps: 1,
      areas: AREAS,
      landmarks: LANDMARKS,
    },
  },
  {
    name: 'Quill Crossing',
    course: {
      start: at(20, 12),
      marks: [mark('1', -160, 900, 'right'), mark('2', 560, 940, 'right'), mark('3', 420, 200, 'right')],
      finish: at(30, 14),
      laps: 1,
      areas: AREAS,
      landmarks: LANDMARKS,
    },
  },
];

/** Along the shore with the ebb: a turn without a buoy, and the ways out that are passed. */
const EBB_RUN: Course = {
  start: at(-590, 70),
  marks: [{ ...mark('1', -20, 90, 'right'), abeam: 'poplars' }],
  finish: at(690, 70),
  laps: 1,
  areas: AREAS,
  landmarks: LANDMARKS,
  withStream: true,
  exits: [
    { id: 'slip', name: 'the slip', last: false, ...at(20, 14) },
    { id: 'reeds', name: 'the reed steps', last: true, ...at(420, -20) },
  ],
};

/** The club's own water, and the camp's. */
const ALL_COURSES: typeof COURSES = [
  ...COURSES,
  { name: 'Ebb Run', course: EBB_RUN },
  { name: CAMP, place: 'Sable Point', course: movedCourse(COURSES[0]!.course, { lat: 44, lon: -18 }) },
];

/** A swim of last week that was decided and signed. */
const LAST_WEEK: { readonly readings: DayReadings; readonly people: DayGroup } = {
  readings: {
    ...{ waterC: 15.5, airC: 14, windMps: 3, windFromDeg: 330, offshoreDeg: 350, currentMps: 0.08, currentToDeg: 70 },
    ...{ waveHeightM: 0.1, rainMm72h: 3, visibility: 'clear', lightning: false, sewage: false, fouled: false },
    ...{ traffic: 'lane', wildlife: false, walked: true, lightLeftMin: 210, depthM: null },
  },
  people: {
    ...NEW_GROUP,
    ...{ watching: 2, craft: true, stopSignal: true, caller: 'Maren Tollick', bright: true, minutes: 35 },
  },
};

/** Metres of the first course. */
export const lanternMile = (): number => lengthOf(legsOf(COURSES[0]!.course));

/** This morning the north-west wind has built up a chop on the long crossing. */
const CHOPPY: Partial<WaterRead> = {
  ...{ waterC: 15, airC: 16, windMps: 7.5, windFromDeg: 320, waveHeightM: 0.7, waveFromDeg: 320 },
  ...{ currentMps: 0.1, currentToDeg: 140, rainMm72h: 4, visibility: 'clear', cloudy: true },
  ...{ lightning: false, sewage: false, fouled: false, wildlife: false, walked: true, traffic: 'lane' },
};

/** What was read today at ten, twenty minutes before. */
async function seedReadings(em: EntityManager, now: Date): Promise<void> {
  const date = isoDay(now, 0);
  const atMs = Math.min(now.getTime(), momentIn(CLUB.timeZone, date, '09:40'));
  const read = Object.fromEntries(Object.entries(CHOPPY).map(([field, value]) => [field, { value, atMs }]));
  await em.execute(
    `insert into water_reading (id, club_id, course_id, date, hour, read) values (?, ?, ?, ?::date, 10, ?::jsonb)`,
    [idFor('water reading'), CLUB_ID, idFor('course Quill Crossing'), date, JSON.stringify(read)],
    'run',
  );
}

/** The club's two courses on its invented lake, and the one of its camp. */
export async function seedCourses(em: EntityManager, now: Date): Promise<void> {
  await em.insertMany(
    CourseEntity,
    ALL_COURSES.map(({ name, place = CLUB.lake, course }) => ({
      id: idFor(`course ${name}`),
      clubId: CLUB_ID,
      name,
      place,
      course,
      lengthM: lengthOf(legsOf(course)),
      removedAt: null,
      version: 1,
      writeId: idFor(`course ${name} write`),
    })),
  );
  await seedReadings(em, now);
  const { decision, checks } = decideDay(LAST_WEEK.readings, LAST_WEEK.people, 400);
  await em.execute(
    `insert into water_day (id, club_id, course_id, signed_by, signed_at, starts_at, readings, people, decision, reasons)
     values (?, ?, ?, ?, ?::timestamptz, ?::timestamptz, ?::jsonb, ?::jsonb, ?, ?::jsonb)`,
    [
      ...[idFor('water day'), CLUB_ID, idFor('course Lantern Mile'), idFor('head@upwell.example')],
      ...['09:40', '10:30'].map((time) => new Date(momentIn(CLUB.timeZone, isoDay(now, -6), time))),
      ...[JSON.stringify(LAST_WEEK.readings), JSON.stringify(LAST_WEEK.people), decision],
      JSON.stringify(checks.map(({ id, of }) => ({ id, of }))),
    ],
    'run',
  );
}

/** Swims of the Lantern Mile: whose, when, and how they swam it. */
const SWIMS: readonly {
  readonly who: string;
  readonly days: number;
  readonly speedMps: number;
  readonly biasDeg: number;
  readonly sdDeg: number;
  readonly every: number;
}[] = [
  { who: 'Sol Attenbrook', days: -20, speedMps: 0.98, biasDeg: 1.4, sdDeg: 2.6, every: 14 },
  { who: 'Sol Attenbrook', days: -6, speedMps: 1.01, biasDeg: 1.2, sdDeg: 2.4, every: 8 },
  { who: 'Mirela Fenwright', days: -6, speedMps: 0.95, biasDeg: -0.8, sdDeg: 2.2, every: 10 },
];

/** The swims above as the device of the swimmer brought them. */
export async function seedTracks(em: EntityManager, now: Date): Promise<void> {
  const { name, course } = COURSES[0]!;
  for (const [i, { who, days, speedMps, biasDeg, sdDeg, every }] of SWIMS.entries()) {
    const strokeLengthM = speedMps * 0.92;
    const worn = {
      seed: 31 + i,
      startMs: momentIn(CLUB.timeZone, isoDay(now, days), '10:30'),
      speedMps,
      strokeLengthM,
    };
    const outing = {
      ...{ biasRad: biasDeg * RAD, sdRad: sdDeg * RAD, lookEvery: every, receiverSdM: 0.8, dropOuts: 0.04 },
      ...{ silentS: i === 0 ? 25 : 0, currentMps: 0, currentToDeg: 0 },
    };
    const habits = { every, rateSpm: Math.round((speedMps * 60) / strokeLengthM), currentMps: 0, currentToDeg: 0 };
    const { points } = cleanTrack(simulatedTrack(worn, outing, course));
    const fields = {
      swimmerId: idFor(who),
      habits,
      points: points.map(({ lat, lon, timeMs }): KeptPoint => [lat, lon, timeMs]),
    };
    await em.execute(
      `insert into swum_track (id, club_id, swimmer_id, course_id, noted_by, course_name, course, habits, points, summary)
       values (?, ?, ?, ?, ?, ?, ?::jsonb, ?::jsonb, ?::jsonb, ?::jsonb)`,
      [
        ...[idFor(`track ${who} ${days}`), CLUB_ID, fields.swimmerId, idFor(`course ${name}`)],
        ...[idFor('coach@upwell.example'), name, JSON.stringify(course), JSON.stringify(habits)],
        ...[JSON.stringify(fields.points), JSON.stringify(trackSummary({ course, ...fields }))],
      ],
      'run',
    );
  }
}
