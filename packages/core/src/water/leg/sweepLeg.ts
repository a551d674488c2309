// The best interval between looks for a leg.
import { nearOptimal } from './sighting';
import { type IntervalResult, simulateInterval } from './simulate';
import type { LegSwim } from './swim';

export interface Sweep {
  readonly results: readonly IntervalResult[];
  readonly best: number;
  readonly nearOptimal: readonly [low: number, high: number];
}

/** The best of some simulated intervals, rising, and those around it that cost under half a percent more. */
export function bestOf(results: readonly IntervalResult[]): Sweep {
  const times = results.map((r) => r.meanTimeS);
  const best = times.reduce((least, time, i) => (time < times[least]! ? i : least), 0);
  const [low, high] = nearOptimal(times, best, (time) => time, 0);
  return { results, best: results[best]!.interval, nearOptimal: [results[low]!.interval, results[high]!.interval] };
}

/** Simulates every interval from `low` to `high`. */
export function sweepLeg(leg: LegSwim, intervals: readonly number[], tracks: number): Sweep {
  return bestOf(intervals.map((interval) => simulateInterval(leg, interval, tracks)));
}
