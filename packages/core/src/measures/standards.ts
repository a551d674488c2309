// Times that a club asks for, and where a swimmer stands to them.
import type { Best } from './bests';
import { poolWord, swumWord, type SwumPool } from './swimDetails';

/** A time of the club's own, like the one it wants for its race squad. */
export interface Standard {
  readonly name: string;
  readonly distanceM: number;
  /** Where it is to be swum; null takes any pool. */
  readonly pool: SwumPool | null;
  readonly timeS: number;
}

/** Most standards of one club. */
export const MOST_STANDARDS = 60;

/** Where a swimmer stands to a standard. */
export interface Standing {
  readonly standard: Standard;
  /** The best that counts for it; null when nothing was swum that does. */
  readonly best: Best | null;
  /** Seconds that the best is slower than the standard, 0 where it is reached; null without a best. */
  readonly shortS: number | null;
}

/** Distances this near are the same, metres: yards are kept as metres. */
const SAME_M = 0.02;

/** Whether two pools are one length. @example samePool({ length: 25, unit: 'm' }, { length: 25, unit: 'yd' }) // false */
export const samePool = (a: SwumPool | null, b: SwumPool | null): boolean =>
  a === null || b === null ? a === b : a.unit === b.unit && Math.abs(a.length - b.length) < SAME_M;

/**
 * Where a swimmer stands to each standard, those that are nearest first. Swims outside count for none, and a swim in a pool of
 * unknown length only for standards of any pool: a turn is worth seconds.
 *
 * @example standingsOf(bestsOf([{ on: '2026-10-19', distanceM: 400, timeS: 352, kind: 'trial' }], '2026-11-29'), [{ name: 'Race squad', distanceM: 400, pool: null, timeS: 345 }])[0].shortS // 7
 */
export function standingsOf(bests: readonly Best[], standards: readonly Standard[]): Standing[] {
  const counts = (best: Best, { distanceM, pool }: Standard) =>
    best.place === 'pool' &&
    Math.abs(best.distanceM - distanceM) < SAME_M &&
    (pool === null || samePool(best.pool, pool));
  return standards
    .map((standard): Standing => {
      const best = bests
        .filter((one) => counts(one, standard))
        .reduce<Best | null>((fast, one) => (fast && fast.timeS <= one.timeS ? fast : one), null);
      return { standard, best, shortS: best && Math.max(0, hundredth(best.timeS - standard.timeS)) };
    })
    .sort((a, b) => nearness(a) - nearness(b) || a.standard.distanceM - b.standard.distanceM);
}

/** Reached ones first, then by the share that is missing, then what was never swum. */
const nearness = ({ shortS, standard }: Standing): number => (shortS === null ? Infinity : shortS / standard.timeS);

/** What a standard asks for. @example standardWord({ name: 'Race squad', distanceM: 400, pool: { length: 25, unit: 'm' }, timeS: 345 }) // '400 m in a pool of 25 m' */
export const standardWord = ({ distanceM, pool }: Standard): string =>
  `${swumWord({ distanceM, ...(pool ? { details: { pool } } : {}) })}${pool ? ` in a pool of ${poolWord(pool)}` : ''}`;

const hundredth = (value: number): number => Math.round(value * 100) / 100;
