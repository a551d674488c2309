import { levelCard, LEVELS, type LevelId } from '../../swimmers';
import { RECIPE, type Recipe } from './recipe';
import type { Context } from './candidate';

/** Distances of each shape of a main part for a level, in metres or yards alike. */
export interface Sizes {
  /** Theme and whole stroke in turn. */
  readonly inTurn: readonly (readonly [theme: number, whole: number])[];
  readonly straight: readonly number[];
  readonly ladders: readonly (readonly number[])[];
  readonly pyramids: readonly (readonly number[])[];
  readonly descend: readonly number[];
  readonly negativeSplit: readonly number[];
  /** A swim broken into parts with a short rest, and the easy swim after it. */
  readonly broken: readonly { readonly parts: number; readonly of: number; readonly easy: number }[];
  readonly pull: readonly number[];
  readonly kick: readonly number[];
  readonly rateSteps: readonly number[];
  readonly overDistance: readonly number[];
}

export const SIZES: Readonly<Record<LevelId, Sizes>> = {
  settle: {
    inTurn: [[25, 25]],
    straight: [25],
    ladders: [],
    pyramids: [],
    descend: [],
    negativeSplit: [],
    broken: [],
    pull: [],
    kick: [],
    rateSteps: [],
    overDistance: [],
  },
  build: {
    inTurn: [
      [50, 50],
      [50, 100],
      [100, 100],
      [100, 200],
    ],
    straight: [50, 100, 150],
    ladders: [
      [50, 100, 150],
      [50, 100, 150, 200],
      [200, 150, 100, 50],
    ],
    pyramids: [
      [50, 100, 50],
      [50, 100, 150, 100, 50],
      [50, 100, 150, 200, 150, 100, 50],
    ],
    descend: [50, 100],
    negativeSplit: [100, 200],
    broken: [],
    pull: [50, 100],
    kick: [50],
    rateSteps: [50],
    overDistance: [200, 250, 300],
  },
  hold: {
    inTurn: [
      [50, 100],
      [100, 100],
      [100, 200],
      [100, 300],
      [200, 200],
    ],
    straight: [100, 150, 200, 300],
    ladders: [
      [100, 200, 300],
      [100, 200, 300, 400],
      [400, 300, 200, 100],
      [300, 200, 100],
    ],
    pyramids: [
      [50, 100, 150, 100, 50],
      [100, 200, 300, 200, 100],
      [100, 200, 300, 400, 300, 200, 100],
    ],
    descend: [100, 200],
    negativeSplit: [200, 300, 400],
    broken: [
      { parts: 4, of: 50, easy: 100 },
      { parts: 3, of: 100, easy: 150 },
    ],
    pull: [100, 200],
    kick: [50, 100],
    rateSteps: [50, 100],
    overDistance: [400, 500, 600],
  },
  race: {
    inTurn: [
      [100, 100],
      [100, 200],
      [100, 300],
      [200, 300],
      [200, 400],
    ],
    straight: [100, 200, 300, 400],
    ladders: [
      [100, 200, 300, 400],
      [200, 300, 400, 500],
      [400, 300, 200, 100],
    ],
    pyramids: [
      [100, 200, 300, 200, 100],
      [100, 200, 300, 400, 300, 200, 100],
      [200, 300, 400, 300, 200],
    ],
    descend: [100, 200, 300],
    negativeSplit: [200, 400, 600],
    broken: [
      { parts: 4, of: 50, easy: 100 },
      { parts: 4, of: 100, easy: 200 },
    ],
    pull: [200, 300, 400],
    kick: [50, 100],
    rateSteps: [100],
    overDistance: [600, 800, 1000],
  },
};

/** Below and above this reach the distances of the next level are swum as well. */
const SHORT_REACH = 0.8;
const LONG_REACH = 1.3;

/** The usual time in the water, seconds. */
const USUAL_WATER_S = 54 * 60;

/** How far a group gets beside what its level usually gets in an hour: longer hours, faster swimmers. */
const reachOf = ({ waterS, groupPlan, groupRequest: { level } }: Context): number =>
  (waterS / USUAL_WATER_S) * (groupPlan.v400Mps / levelCard(level).defaultV400Mps);

/** The next level, where a group gets much less or much farther than its own; beginners keep theirs, and nobody gets them. */
function nextLevel(context: Context): LevelId | null {
  const { level } = context.groupRequest;
  if (level === 'settle') return null;
  const reach = reachOf(context);
  const step = reach < SHORT_REACH ? -1 : reach > LONG_REACH ? 1 : 0;
  const next = LEVELS[LEVELS.indexOf(level) + step];
  return step === 0 || next === undefined || next === 'settle' ? null : next;
}

const both = <T>(a: readonly T[], b: readonly T[]): readonly T[] => [...a, ...b.filter((one) => !a.includes(one))];

/** Distances of the shapes for a group: its level's, and those of the next one where it gets much less or farther. */
export function sizesFor(context: Context): Sizes {
  const own = SIZES[context.groupRequest.level];
  const next = nextLevel(context);
  if (!next) return own;
  const keys = Object.keys(own) as (keyof Sizes)[];
  return Object.fromEntries(keys.map((key) => [key, both<unknown>(own[key], SIZES[next][key])])) as unknown as Sizes;
}

/** The distances of the blocks around the main part, in the same way. */
export function blockSizesFor(context: Context): Pick<Recipe, 'warmUp' | 'whole' | 'swimDown'> {
  const own = RECIPE[context.groupRequest.level];
  const next = nextLevel(context);
  const of = (key: 'warmUp' | 'whole' | 'swimDown') => (next ? both(own[key], RECIPE[next][key]) : own[key]);
  return { warmUp: of('warmUp'), whole: of('whole'), swimDown: of('swimDown') };
}

/** Reps of the rising part of a warm-up beyond those of the level, where a group gets much farther. */
export const longRising = (context: Context): readonly number[] => (reachOf(context) > LONG_REACH ? [8, 10] : []);

/** Drills of a session at most: fewer where there is little time. */
export const drillsFor = (context: Pick<Context, 'waterS'>, count: number): number =>
  context.waterS < SHORT_REACH * USUAL_WATER_S ? Math.min(2, count) : count;
