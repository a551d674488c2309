// What a distance asks of the weeks before it: the fullest week and the longest swim.
import { USUAL_FACTOR } from '../sessions';

/** The race as the weeks need to know it. */
export interface RaceAsked {
  /** Metres of the course. */
  readonly distanceM: number;
  /** The longest swim without a stop so far, metres. */
  readonly longestM: number;
  /** Speed of a long swim, m/s. */
  readonly speedMps: number;
  /** Outside, the last long swims are in water like that of the race. */
  readonly outside: boolean;
  /** The farthest at this age, metres; no long swim is longer. */
  readonly mostM?: number;
  /** The goal is to get there without a stop, not a time: short ones are stepped up to as well. */
  readonly noClock?: boolean;
}

/** A race, the fullest week that it asks and its longest single swim, metres; straight lines between and beyond. */
const ASKED: readonly (readonly [raceM: number, weekM: number, swimM: number])[] = [
  [0, 0, 0],
  [3000, 7500, 3000],
  [10_000, 20_000, 7000],
  [25_000, 37_500, 15_000],
];
/** No week is fuller, metres. */
export const FULLEST_WEEK_M = 60_000;
/** No swim before a race is longer, seconds. */
export const LONGEST_SWIM_S = 7 * 3600;
/** The longest swim grows by this much at most, every second week. */
export const LONGEST_RISE = 1.2;
/** From this distance on the weeks have a long swim of their own: our own rule of thumb, metres. */
export const LONG_FROM_M = 1500;
/** Swims in the water of the race before it. */
export const IN_RACE_WATER = 2;

type Column = 0 | 1 | 2;

/** One column of the table from another, on the straight line between its rows, or beyond the last. */
function read(value: number, from: Column, to: Column): number {
  const row = ASKED.findIndex((r, i) => i > 0 && value <= r[from]);
  const end = row < 0 ? ASKED.length - 1 : row;
  const [a, b] = [ASKED[end - 1]!, ASKED[end]!];
  return a[to] + ((value - a[from]) / (b[from] - a[from])) * (b[to] - a[to]);
}

/** Metres of the fullest week before a race. @example fullestWeekM(10_000) // 20000 */
export const fullestWeekM = (raceM: number): number => Math.min(FULLEST_WEEK_M, read(raceM, 0, 1));

/** The same as a load: metres × the effort factor of usual sessions. */
export const fullestWeekLoad = (raceM: number): number => fullestWeekM(raceM) * USUAL_FACTOR;

/** Metres of the longest swim before a race, never over seven hours. @example longestSwimM(10_000, 1.2) // 7000 */
export const longestSwimM = (raceM: number, speedMps: number): number =>
  Math.min(read(raceM, 0, 2), LONGEST_SWIM_S * speedMps);

/** The farthest race that a fullest week of so many metres is enough for. @example raceForWeekM(7500) // 3000 */
export const raceForWeekM = (weekM: number): number => read(weekM, 1, 0);

/** The farthest race that a longest swim is enough for. @example raceForSwimM(7000) // 10000 */
export const raceForSwimM = (swimM: number): number => read(swimM, 2, 0);

/** Long swims are said in steps of this many metres, from a distance on. */
const SAID: readonly (readonly [fromM: number, stepM: number])[] = [
  [1000, 100],
  [200, 50],
  [0, 25],
];
const said = (metres: number): number => {
  const step = SAID.find(([from]) => metres >= from)![1];
  return Math.floor(metres / step + 1e-9) * step;
};

/** Whether the weeks have a long swim of their own: for long races, and where the distance itself is the goal. */
export const hasLongSwims = ({ distanceM, noClock }: RaceAsked): boolean =>
  noClock === true || distanceM >= LONG_FROM_M;

/**
 * The long swim of every week: a fifth longer at most every second week, until the race asks no more; null in weeks without.
 *
 * @param works whether a long swim fits in each week: not while tapering, resting or away
 * @example longSwims({ distanceM: 3000, longestM: 2000, speedMps: 1, outside: true }, [true, true, true, true]) // [2400, null, 2800, null]
 */
export function longSwims(race: RaceAsked, works: readonly boolean[]): (number | null)[] {
  if (!hasLongSwims(race)) return works.map(() => null);
  const goal = longestFor(race);
  const most = goal === race.distanceM ? goal : said(goal);
  let longest = Math.min(race.longestM, goal);
  let last = -2;
  return works.map((may, week) => {
    if (!may || week - last < 2) return null;
    last = week;
    longest = Math.min(goal, longest * LONGEST_RISE);
    return longest === goal ? most : said(longest);
  });
}

/** The longest swim that a race asks of this swimmer, metres. */
export const longestFor = ({ distanceM, speedMps, mostM = Infinity }: RaceAsked): number =>
  Math.min(longestSwimM(distanceM, speedMps), mostM);
