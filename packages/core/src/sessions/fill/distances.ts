// Distances as coaches say them, in lengths of the pool in use.
import type { Pool } from '../../units';

/** Distances that coaches say, in metres or yards alike. */
export const SAID = [25, 50, 75, 100, 150, 200, 250, 300, 400, 500, 600, 800, 1000] as const;

/** Pools in which the distances that coaches say are whole lengths. */
const usual = (pool: Pool): boolean => pool.length === 25 || pool.length === 50;

/**
 * A said distance in lengths of a pool; in other pools than 25 and 50 the nearest that ends at the home wall. Null
 * when it is no whole number of lengths.
 *
 * @example saidLengths(100, { length: 25, unit: 'yd' }) // 4
 * @example saidLengths(100, { length: 100 / 3, unit: 'm' }) // 4
 */
export function saidLengths(distance: number, pool: Pool): number | null {
  if (!usual(pool)) return Math.max(2, 2 * Math.round(distance / (2 * pool.length)));
  const lengths = distance / pool.length;
  return Number.isInteger(lengths) ? lengths : null;
}

/** Several said distances in lengths, shortest first, each once. */
export function saidOptions(distances: readonly number[], pool: Pool): number[] {
  return [...new Set(distances.flatMap((d) => saidLengths(d, pool) ?? []))].sort((a, b) => a - b);
}

/** What a beginner swims at a time: one length, in every pool. */
export const ONE_LENGTH = 1;

/**
 * Lengths of a sprint: a 25, or the length that there is; half of one, to the mark, in a long pool.
 *
 * @example sprintLengths({ length: 50, unit: 'm' }) // 0.5
 */
export const sprintLengths = (pool: Pool): number => (pool.length > 40 ? 0.5 : 1);

/** Whether a number of lengths ends at the home wall. */
export const endsAtHome = (lengths: number): boolean => lengths % 2 === 0;
