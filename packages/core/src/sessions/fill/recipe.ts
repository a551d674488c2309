import type { LevelId } from '../../swimmers';
import type { SessionKind } from '../plan/model';

/** What a level swims: distances as they are said, in metres or yards alike. */
export interface Recipe {
  readonly landMinutes: number;
  readonly drillCount: number;
  /** Choice of stroke at the beginning, and reps of the rising part behind it. */
  readonly warmUp: readonly number[];
  readonly rising: { readonly distance: number; readonly reps: readonly number[] };
  /** Whole stroke after a drill. */
  readonly whole: readonly number[];
  /** Rest at a drill beyond 20 s, for those who need it. */
  readonly drillRest: readonly number[];
  /** Effort of the main part, and of its parts in which the theme is practised. */
  readonly mainEffort: number;
  readonly themeEffort: number;
  readonly swimDown: readonly number[];
  readonly share: Readonly<Record<'warm-up' | 'drills' | 'main' | 'swim-down', number>>;
  /** Share of the time that is spent moving in the water. */
  readonly moving: readonly [low: number, high: number];
  /** Whether reps of the main part leave on the clock. */
  readonly sendOffs: boolean;
}

export const RECIPE: Readonly<Record<LevelId, Recipe>> = {
  settle: {
    landMinutes: 8,
    drillCount: 2,
    warmUp: [25, 50, 75, 100],
    rising: { distance: 25, reps: [1, 2, 3, 4] },
    whole: [25],
    drillRest: [0, 20, 40, 60],
    mainEffort: 0.6,
    themeEffort: 0.6,
    swimDown: [50, 100, 150],
    share: { 'warm-up': 0.16, drills: 0.4, main: 0.34, 'swim-down': 0.1 },
    moving: [0.25, 0.45],
    sendOffs: false,
  },
  build: {
    landMinutes: 6,
    drillCount: 2,
    warmUp: [50, 100, 150, 200],
    rising: { distance: 50, reps: [1, 2, 3, 4, 6] },
    whole: [25, 50],
    drillRest: [0, 10, 25, 40],
    mainEffort: 0.75,
    themeEffort: 0.7,
    swimDown: [50, 100, 150, 200, 250, 300],
    share: { 'warm-up': 0.16, drills: 0.32, main: 0.4, 'swim-down': 0.12 },
    moving: [0.5, 0.65],
    sendOffs: false,
  },
  hold: {
    landMinutes: 6,
    drillCount: 3,
    warmUp: [100, 150, 200, 250, 300],
    rising: { distance: 50, reps: [2, 4, 6] },
    whole: [25, 50, 100],
    drillRest: [0, 10, 20],
    mainEffort: 0.8,
    themeEffort: 0.7,
    swimDown: [100, 150, 200, 250, 300, 400],
    share: { 'warm-up': 0.15, drills: 0.26, main: 0.47, 'swim-down': 0.12 },
    moving: [0.6, 0.72],
    sendOffs: true,
  },
  race: {
    landMinutes: 6,
    drillCount: 2,
    warmUp: [100, 200, 300, 400],
    rising: { distance: 100, reps: [1, 2, 3, 4] },
    whole: [50, 100, 150],
    drillRest: [0, 10],
    mainEffort: 0.8,
    themeEffort: 0.7,
    swimDown: [100, 150, 200, 250, 300, 400, 500],
    share: { 'warm-up': 0.15, drills: 0.19, main: 0.55, 'swim-down': 0.11 },
    moving: [0.65, 0.8],
    sendOffs: true,
  },
};

/** How the wanted shares move with the kind of session. */
export const SHARE_SHIFT: Readonly<Record<SessionKind, { readonly drills: number; readonly speed: number }>> = {
  aerobic: { drills: 0, speed: 0 },
  technique: { drills: 0.09, speed: 0 },
  speed: { drills: 0, speed: 0.09 },
};

/** How much of the metres goes from the main part to skills in an easy week. */
export const EASY_WEEK_DRILLS = 0.06;

/** Seconds of a pause before the drills, for those who need the rest; 0 is none. */
export const BEFORE_DRILLS_S: Readonly<Record<LevelId, readonly number[]>> = {
  settle: [0, 120],
  build: [0, 60, 120],
  hold: [0, 60],
  race: [0, 60],
};

/** Seconds of the pause before each part of the main part: to rest, to drink and to hear it. */
export const BEFORE_MAIN_S = [60, 90, 120] as const;

/** A main part longer than this has two different parts for those who leave on the clock, seconds. */
export const ONE_PART_S = 1200;

/** Most rounds of the same, and most reps of one set that is not all-out. */
export const MOST_ROUNDS = 8;
export const MOST_REPEATS = 12;

/** Least share of the main part in which the theme lives. */
export const THEME_SHARE = 1 / 3;

/** Full rest after an all-out rep: this many times the swim, in steps of 15 s, within these seconds. */
export const FULL_REST = { timesSwim: 3, stepS: 15, within: [45, 90] } as const;

/** Rest after steady swimming, seconds for each 100 m, and the most of it as a share of the swim. */
export const REST_PER_100 = [10, 20] as const;
export const REST_OF_SWIM = 0.5;
