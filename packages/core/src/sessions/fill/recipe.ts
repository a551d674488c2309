import type { LevelId } from '../../swimmers';
import type { SessionKind } from '../plan/model';

/** What a level swims: distances in metres, before they become whole lengths of the pool. */
export interface Recipe {
  readonly landMinutes: number;
  readonly drillCount: number;
  readonly warmUpM: readonly number[];
  readonly warmUpRepM: number;
  readonly drillM: readonly number[];
  readonly wholeM: readonly number[];
  readonly mainM: readonly number[];
  readonly themeM: readonly number[];
  readonly mainEffort: number;
  readonly swimDownM: readonly number[];
  readonly swimDownRepM: number;
  /** Rest added to the usual one, seconds, when the clock needs it. */
  readonly extraRestS: readonly number[];
  readonly share: Readonly<Record<'warm-up' | 'drills' | 'main' | 'swim-down', number>>;
}

export const RECIPE: Readonly<Record<LevelId, Recipe>> = {
  settle: {
    landMinutes: 8,
    drillCount: 2,
    warmUpM: [25, 50, 75, 100],
    warmUpRepM: 25,
    drillM: [25],
    wholeM: [25],
    mainM: [25],
    themeM: [25],
    mainEffort: 0.6,
    swimDownM: [25, 50, 75],
    swimDownRepM: 25,
    extraRestS: [20, 30, 40, 50, 60, 70, 80, 90],
    share: { 'warm-up': 0.16, drills: 0.4, main: 0.34, 'swim-down': 0.1 },
  },
  build: {
    landMinutes: 6,
    drillCount: 2,
    warmUpM: [100, 150, 200, 250, 300, 350, 400],
    warmUpRepM: 50,
    drillM: [25, 50],
    wholeM: [25, 50],
    mainM: [50, 75, 100, 125, 150, 200],
    themeM: [25, 50],
    mainEffort: 0.75,
    swimDownM: [50, 100, 150, 200, 250, 300],
    swimDownRepM: 300,
    extraRestS: [0, 5, 10, 15],
    share: { 'warm-up': 0.16, drills: 0.32, main: 0.4, 'swim-down': 0.12 },
  },
  hold: {
    landMinutes: 6,
    drillCount: 3,
    warmUpM: [150, 200, 250, 300, 350, 400, 450, 500],
    warmUpRepM: 50,
    drillM: [25, 50, 100],
    wholeM: [25, 50, 100],
    mainM: [75, 100, 125, 150, 200, 250, 300],
    themeM: [25, 50, 100],
    mainEffort: 0.8,
    swimDownM: [50, 100, 150, 200, 250, 300, 350, 400],
    swimDownRepM: 400,
    extraRestS: [0, 5, 10],
    share: { 'warm-up': 0.15, drills: 0.26, main: 0.47, 'swim-down': 0.12 },
  },
  race: {
    landMinutes: 6,
    drillCount: 2,
    warmUpM: [200, 250, 300, 350, 400, 450, 500, 600, 700],
    warmUpRepM: 100,
    drillM: [25, 50, 100],
    wholeM: [50, 100, 150],
    mainM: [100, 150, 200, 250, 300, 400],
    themeM: [50, 100],
    mainEffort: 0.8,
    swimDownM: [100, 150, 200, 250, 300, 400, 500],
    swimDownRepM: 500,
    extraRestS: [0, 5, 10],
    share: { 'warm-up': 0.15, drills: 0.19, main: 0.55, 'swim-down': 0.11 },
  },
};

/** How the wanted shares move with the kind of session. */
export const SHARE_SHIFT: Readonly<Record<SessionKind, { readonly drills: number; readonly speed: number }>> = {
  aerobic: { drills: 0, speed: 0 },
  technique: { drills: 0.09, speed: 0 },
  speed: { drills: 0, speed: 0.09 },
};
