import { lookInterval } from '../../measures';

/** How a swimmer's line wanders, and what a look costs. */
export interface Wander {
  /** Turn to one side at each stroke, radians; right positive. */
  readonly biasRad: number;
  /** Random turn at each stroke, standard deviation, radians. */
  readonly sdRad: number;
  /** Time a look costs, seconds. */
  readonly lookCostS: number;
  /** Strokes (hand entries) a second. */
  readonly strokesPerS: number;
}

/** Intervals between looks that are considered, strokes. */
export const INTERVALS = { min: 2, max: 20 } as const;
/** The closed form is searched this far, so that a swimmer who swims straight gets an honest answer. */
const FARTHEST = 60;
/** Intervals that cost less than this more than the best are as good. */
export const NEAR_OPTIMAL = 0.005;

/**
 * Share of extra time when looking every `interval` strokes: `½(b²N²/3 + σ²N/2) + c·f/N`.
 *
 * The first part is the way off the line, for small angles; the second the time for looking.
 *
 * @param interval strokes between looks, ≥ 1
 * @example extraTimeShare({ biasRad: 0, sdRad: 0, lookCostS: 0.25, strokesPerS: 1 }, 10) // 0.025
 */
export function extraTimeShare({ biasRad, sdRad, lookCostS, strokesPerS }: Wander, interval: number): number {
  const way = (biasRad ** 2 * interval ** 2) / 3 + (sdRad ** 2 * interval) / 2;
  return way / 2 + (lookCostS * strokesPerS) / interval;
}

export interface BestInterval {
  readonly interval: number;
  readonly extraTimeShare: number;
  /** First and last interval that cost under half a percent more of the time. */
  readonly nearOptimal: readonly [low: number, high: number];
}

/**
 * How often to look, by the closed form: the whole number of strokes that costs least.
 *
 * @throws RangeError when a number is negative, not finite, or a rate of 0
 * @example sightingInterval({ biasRad: Math.PI / 180, sdRad: Math.PI / 90, lookCostS: 0.25, strokesPerS: 1 }).interval // 13
 */
export function sightingInterval(wander: Wander): BestInterval {
  const { biasRad, sdRad, lookCostS, strokesPerS } = wander;
  if (![biasRad, sdRad, lookCostS, strokesPerS].every(Number.isFinite)) throw new RangeError('numbers are needed');
  if (sdRad < 0 || lookCostS < 0 || !(strokesPerS > 0))
    throw new RangeError('sdRad and lookCostS from 0, strokesPerS over 0');
  const shares = Array.from({ length: FARTHEST }, (_, i) => extraTimeShare(wander, i + 1));
  const least = shares.reduce((best, share, i) => (share < shares[best]! ? i : best), 0);
  return {
    interval: least + 1,
    extraTimeShare: shares[least]!,
    nearOptimal: nearOptimal(shares, least, (share) => 1 + share, 1),
  };
}

/** The run of intervals around the best whose time is within {@link NEAR_OPTIMAL} of it. */
export function nearOptimal(
  values: readonly number[],
  best: number,
  timeOf: (value: number) => number,
  first: number,
): readonly [number, number] {
  const limit = timeOf(values[best]!) * (1 + NEAR_OPTIMAL);
  let low = best;
  let high = best;
  while (low > 0 && timeOf(values[low - 1]!) <= limit) low--;
  while (high < values.length - 1 && timeOf(values[high + 1]!) <= limit) high++;
  return [low + first, high + first];
}

/** A track does not say how the swimmer breathed: an even number of strokes fits most. */
const EVEN = 2;

/**
 * What a swim would have saved by looking as often as is advised on a course and in a session.
 *
 * @param every strokes between looks as it was swum
 * @param timeS of the whole swim
 * @returns null when the interval was as good as the best
 * @example betterInterval({ biasRad: 0, sdRad: 0, lookCostS: 0.25, strokesPerS: 1 }, 2, 1000)?.interval // 12
 */
export function betterInterval(
  wander: Wander,
  every: number,
  timeS: number,
): { readonly interval: number; readonly savedS: number } | null {
  const { nearOptimal } = sightingInterval(wander);
  if (every >= nearOptimal[0] && every <= nearOptimal[1]) return null;
  const interval = lookInterval({ cycle: EVEN, asGood: nearOptimal, usual: every }).every;
  const [share, least] = [every, interval].map((n) => extraTimeShare(wander, n)) as [number, number];
  return share > least ? { interval, savedS: (timeS * (share - least)) / (1 + share) } : null;
}
