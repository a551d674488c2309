import type { LevelId } from '@upwell/core/swimmers';

/** The invented club. Nobody here exists. */
export const CLUB = {
  name: 'Morrow Quay Swimmers',
  pool: 'Hallow Lane Baths',
  lake: 'Quill Water',
  timeZone: 'Etc/GMT+3',
};

export const PASSWORD = 'quiet-water-demo';

export const ACCOUNTS = [
  { email: 'head@upwell.example', name: 'Maren Tollick', role: 'head' },
  { email: 'coach@upwell.example', name: 'Jory Pellandine', role: 'coach' },
  { email: 'second@upwell.example', name: 'Oda Brisk', role: 'coach' },
] as const;

/** Hired water of an hour in the 25 m pool. */
/** The pool that the club hires: one can stand at one end, and the edge lies level with the water. */
export const BATHS = { length: 25, unit: 'm', standingDepth: true, edge: 'level' } as const;

/** Ladders of somebody at Settle: they work on bubbles with two hands on the wall. */
export const FIRST_STEPS = { confidence: 4, 'side-breathing': 1 } as const;

/** Hired water so many days after the day of the demo: sessions follow that day, and so does the water they are swum in. */
const hour = (inDays: number, startTime: string, lanes: number) => ({
  inDays,
  startTime,
  minutes: 60,
  pool: BATHS,
  lanes,
});

export const SQUADS = [
  { key: 'first', name: 'First Lengths', coaches: ['second@upwell.example'], poolTimes: [hour(4, '19:00', 1)] },
  {
    key: 'evening',
    name: 'Evening Lanes',
    coaches: ['coach@upwell.example', 'second@upwell.example'],
    poolTimes: [hour(2, '19:00', 3), hour(6, '19:00', 3)],
  },
  {
    key: 'crossing',
    name: 'Crossing Crew',
    coaches: ['coach@upwell.example'],
    poolTimes: [hour(0, '07:00', 2), hour(2, '07:00', 2)],
  },
] as const;

export type SquadKey = (typeof SQUADS)[number]['key'];

export interface Person {
  readonly given: string;
  readonly family: string;
  readonly squad: SquadKey;
  readonly level: LevelId;
  readonly birthYear: number;
  /** Seconds over 400 m today; null when nobody timed it. */
  readonly t400S: number | null;
  readonly goal?: {
    readonly event: string;
    readonly inDays: number;
    readonly distanceM: number;
    readonly open: boolean;
    /** Null for a goal without a clock. */
    readonly targetS: number | null;
  };
}

const CROSSING = { event: 'Quill Crossing', inDays: 33, distanceM: 3200, open: true };
const LANTERN = { event: 'Lantern Mile', inDays: 76, distanceM: 1600, open: true };
const REACH = { event: 'Outer Reach', inDays: 165, distanceM: 5000, open: true };
const GALA = { event: 'Hallow Lane Gala', inDays: 25, distanceM: 400, open: false };

export const PEOPLE: readonly Person[] = [
  { given: 'Bea', family: 'Ardley', squad: 'first', level: 'settle', birthYear: 1968, t400S: null },
  { given: 'Colm', family: 'Vantry', squad: 'first', level: 'settle', birthYear: 1981, t400S: null },
  { given: 'Nessa', family: 'Quoyle', squad: 'first', level: 'settle', birthYear: 2013, t400S: null },
  { given: 'Ivo', family: 'Harrowgate', squad: 'first', level: 'settle', birthYear: 1990, t400S: null },
  { given: 'Dilys', family: 'Kestle', squad: 'evening', level: 'build', birthYear: 1975, t400S: 531 },
  {
    given: 'Corwin',
    family: 'Stroud-Amari',
    squad: 'evening',
    level: 'build',
    birthYear: 1988,
    t400S: 498,
    goal: { ...LANTERN, targetS: 2460 },
  },
  { given: 'Halina', family: 'Wrexley', squad: 'evening', level: 'build', birthYear: 1994, t400S: 476 },
  { given: 'Tamsin', family: 'Orrock', squad: 'first', level: 'build', birthYear: 2012, t400S: 512 },
  { given: 'Pell', family: 'Danforth', squad: 'evening', level: 'build', birthYear: 1962, t400S: 544 },
  {
    given: 'Sunniva',
    family: 'Brack',
    squad: 'evening',
    level: 'build',
    birthYear: 1999,
    t400S: 465,
    goal: { ...LANTERN, targetS: 2100 },
  },
  {
    given: 'Emrys',
    family: 'Colley',
    squad: 'first',
    level: 'build',
    birthYear: 1979,
    t400S: null,
    goal: { event: 'First kilometre', inDays: 110, distanceM: 1000, open: false, targetS: null },
  },
  { given: 'Wanda', family: 'Tregarth', squad: 'evening', level: 'build', birthYear: 1985, t400S: 489 },
  {
    given: 'Ines',
    family: 'Okoro-Vale',
    squad: 'evening',
    level: 'hold',
    birthYear: 1991,
    t400S: 384,
    goal: { ...CROSSING, targetS: 3750 },
  },
  { given: 'Kasper', family: 'Lindqvale', squad: 'evening', level: 'hold', birthYear: 1983, t400S: 392 },
  {
    given: 'Mirela',
    family: 'Fenwright',
    squad: 'crossing',
    level: 'hold',
    birthYear: 1996,
    t400S: 371,
    goal: { ...CROSSING, targetS: 3420 },
  },
  {
    given: 'Otis',
    family: 'Marlingspike',
    squad: 'evening',
    level: 'hold',
    birthYear: 1972,
    t400S: 408,
    goal: { ...CROSSING, targetS: 4020 },
  },
  {
    given: 'Yara',
    family: 'Penhollow',
    squad: 'crossing',
    level: 'hold',
    birthYear: 2011,
    t400S: 366,
    goal: { ...GALA, targetS: 350 },
  },
  {
    given: 'Sol',
    family: 'Attenbrook',
    squad: 'crossing',
    level: 'hold',
    birthYear: 1987,
    t400S: 379,
    goal: { ...LANTERN, targetS: 1650 },
  },
  { given: 'Freya', family: 'Ulldale', squad: 'evening', level: 'hold', birthYear: 2001, t400S: 388 },
  {
    given: 'Bo',
    family: 'Castellane',
    squad: 'crossing',
    level: 'race',
    birthYear: 1998,
    t400S: 312,
    goal: { ...CROSSING, targetS: 3060 },
  },
  {
    given: 'Runa',
    family: 'Silverlock',
    squad: 'crossing',
    level: 'race',
    birthYear: 2002,
    t400S: 301,
    goal: { ...CROSSING, targetS: 2880 },
  },
  {
    given: 'Teo',
    family: 'Ashgrave',
    squad: 'crossing',
    level: 'race',
    birthYear: 2012,
    t400S: 322,
    goal: { ...GALA, targetS: 312 },
  },
  {
    given: 'Pia',
    family: 'Northam-Reed',
    squad: 'crossing',
    level: 'race',
    birthYear: 1993,
    t400S: 318,
    goal: { ...CROSSING, targetS: 3000 },
  },
  {
    given: 'Jun',
    family: 'Halvarden',
    squad: 'crossing',
    level: 'race',
    birthYear: 1989,
    t400S: 327,
    goal: { ...REACH, targetS: 5100 },
  },
];
