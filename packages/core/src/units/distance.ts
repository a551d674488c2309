/** Metres in one yard, exactly. */
export const METRES_PER_YARD = 0.9144;

export const POOL_UNITS = ['m', 'yd'] as const;
export type PoolUnit = (typeof POOL_UNITS)[number];

const USUAL_POOLS = ['25 m', '50 m', '25 yd'] as const;
export type UsualPool = (typeof USUAL_POOLS)[number];

/** The usual pools, those of a club's own unit first. @example usualPools('yd') // ['25 yd', '25 m', '50 m'] */
export const usualPools = (unit: PoolUnit): [UsualPool, ...UsualPool[]] => {
  const own = (pool: UsualPool) => pool.endsWith(` ${unit}`);
  return [...USUAL_POOLS.filter(own), ...USUAL_POOLS.filter((pool) => !own(pool))] as [UsualPool, ...UsualPool[]];
};

/** The pool of a usual length. @example usualPool('25 yd') // { length: 25, unit: 'yd' } */
export function usualPool(pool: UsualPool): { readonly length: number; readonly unit: PoolUnit } {
  const [length, unit] = pool.split(' ') as [string, PoolUnit];
  return { length: Number(length), unit };
}

/** A pool: the length of one swim from wall to wall in its own unit. */
export interface Pool {
  readonly length: number;
  readonly unit: PoolUnit;
  /** Whether beginners can stand somewhere; left out when not known. */
  readonly standingDepth?: boolean;
  /** The edge at the turning end; left out when not known. */
  readonly edge?: PoolEdge;
}

/** Level with the water, or raised above it so that heels can hit it in a turn. */
export const POOL_EDGES = ['level', 'raised'] as const;
export type PoolEdge = (typeof POOL_EDGES)[number];

/** Shortest and longest pool Upwell plans for, in the pool's own unit. */
export const POOL_LENGTH = { min: 8, max: 100 } as const;

/**
 * Metres of a number of pool lengths.
 *
 * @example lengthsToMetres({ length: 25, unit: 'yd' }, 4) // 91.44
 */
export function lengthsToMetres(pool: Pool, lengths: number): number {
  return lengths * pool.length * (pool.unit === 'yd' ? METRES_PER_YARD : 1);
}

/**
 * A distance in the pool's own unit, rounded to a hundredth so that 3 × 33⅓ reads 100.
 *
 * @example poolDistance({ length: 100 / 3, unit: 'm' }, 3) // 100
 */
export function poolDistance(pool: Pool, lengths: number): number {
  return Math.round(lengths * pool.length * 100) / 100;
}

/**
 * Lengths, or half of one, of a distance in the pool's own unit; null when it ends somewhere between.
 *
 * @example lengthsOf({ length: 25, unit: 'm' }, 100) // 4
 * @example lengthsOf({ length: 100 / 3, unit: 'm' }, 66.67) // 2
 */
export function lengthsOf(pool: Pool, distance: number): number | null {
  const lengths = Math.round((2 * distance) / pool.length) / 2;
  return lengths > 0 && Math.abs(poolDistance(pool, lengths) - distance) <= 0.011 ? lengths : null;
}

/** The distances of whole lengths on both sides of one that is none. @example wholeDistancesBeside({ length: 25, unit: 'm' }, 60) // [50, 75] */
export function wholeDistancesBeside(pool: Pool, distance: number): readonly [number, number] {
  const down = Math.max(1, Math.floor(distance / pool.length));
  return [poolDistance(pool, down), poolDistance(pool, down + 1)];
}

/**
 * A distance in whole units of a pool, with its sign.
 *
 * @example inPoolUnit({ length: 25, unit: 'yd' }, 571.5) // 625
 */
export function inPoolUnit({ unit }: Pool, metres: number): number {
  return Math.round(unit === 'yd' ? metres / METRES_PER_YARD : metres);
}

/** How far a group swims in the unit of its pool, as it is kept beside a plan. */
export interface PoolTotal {
  /** In the unit of the pool. */
  readonly distance: number;
  readonly unit: PoolUnit;
  /** Whether a part of it is estimated from minutes. */
  readonly about: boolean;
}

/**
 * A kept total in words; in metres where it was kept before its unit was.
 *
 * @param write how a number is written; as it is when left out
 * @example summaryWord({ metres: 571.5, inPool: { distance: 625, unit: 'yd', about: false } }) // '625 yd'
 */
export function summaryWord(
  { metres, inPool }: { readonly metres: number; readonly inPool?: PoolTotal | undefined },
  write: (value: number) => string = String,
): string {
  if (!inPool) return `${write(Math.round(metres))} m`;
  return `${inPool.about ? '≈ ' : ''}${write(inPool.distance)} ${inPool.unit}`;
}
