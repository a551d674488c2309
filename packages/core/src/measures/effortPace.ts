import type { Trial } from './criticalSpeed';

/** Efforts above this are sprints and do not follow the law. */
export const LAW_HOLDS_TO = 0.9;

/** Best 25 and 50 m from a push as multiples of the 400 m speed, when unknown: a guess. */
export const SPRINT_FACTOR_25 = 1.18;
export const SPRINT_FACTOR_50 = 1.13;

/** A club's own line of its table: at this effort this share of the 400 m speed. */
export interface PacePoint {
  readonly effort: number;
  readonly share: number;
}

/**
 * Speed at an effort, for a swimmer with this 400 m speed.
 *
 * Power against drag grows with the cube of speed (Toussaint et al. 1988), so a share `e` of the
 * power that can be held for about 400 m gives `v400 · e^(1/3)`. From 90 % upward the speed rises
 * in a straight line to the sprint factor, a guess until a best 50 m is known. A club may swap the
 * law for its own table; between its points the speed follows a straight line.
 *
 * @param v400Mps metres a second over 400 m, > 0
 * @param effort share of the power, over 0 and up to 1
 * @param table the club's own points in rising effort; empty takes the law
 * @returns metres a second
 * @throws RangeError when a number is out of range
 * @example 100 / effortSpeed(400 / 352, 0.7) // 99.1 s per 100 m
 */
export function effortSpeed(v400Mps: number, effort: number, table: readonly PacePoint[] = []): number {
  if (!(v400Mps > 0)) throw new RangeError('v400Mps must be over 0');
  if (!(effort > 0 && effort <= 1)) throw new RangeError('effort must be over 0 and at most 1');
  if (table.length > 0) return v400Mps * shareIn(table, effort);
  if (effort <= LAW_HOLDS_TO) return v400Mps * Math.cbrt(effort);
  const atLimit = Math.cbrt(LAW_HOLDS_TO);
  return v400Mps * (atLimit + ((SPRINT_FACTOR_50 - atLimit) * (effort - LAW_HOLDS_TO)) / (1 - LAW_HOLDS_TO));
}

function shareIn(table: readonly PacePoint[], effort: number): number {
  const above = table.findIndex((point) => point.effort >= effort);
  if (above === -1) return table[table.length - 1]!.share;
  const b = table[above]!;
  const a = table[above - 1];
  return a ? a.share + ((b.share - a.share) * (effort - a.effort)) / (b.effort - a.effort) : b.share;
}

export interface SwimmerPace {
  readonly speedMps: number;
  readonly method: 'own 25' | 'own 50' | 'club table' | 'effort law' | 'guess';
}

/**
 * The pace of one swimmer at an effort, and where the number comes from.
 *
 * All-out 25s and 50s go by the swimmer's own best; without one by {@link SPRINT_FACTOR_25} and
 * {@link SPRINT_FACTOR_50}, marked as a guess. Everything else follows the law, or the club's table.
 *
 * @param repM metres of one rep
 * @param bests all-out swims of the swimmer
 * @example swimmerPace(1, 1, 50, [{ distanceM: 50, timeS: 40 }]) // { speedMps: 1.25, method: 'own 50' }
 */
export function swimmerPace(
  v400Mps: number,
  effort: number,
  repM: number,
  bests: readonly Trial[],
  table: readonly PacePoint[] = [],
): SwimmerPace {
  if (effort > 0.97 && repM <= 60) {
    const short = repM <= 30;
    const own = bests.find((t) => t.distanceM === (short ? 25 : 50));
    if (own) return { speedMps: own.distanceM / own.timeS, method: short ? 'own 25' : 'own 50' };
    if (table.length === 0)
      return { speedMps: v400Mps * (short ? SPRINT_FACTOR_25 : SPRINT_FACTOR_50), method: 'guess' };
  }
  const speedMps = effortSpeed(v400Mps, effort, table);
  return { speedMps, method: table.length > 0 ? 'club table' : effort > LAW_HOLDS_TO ? 'guess' : 'effort law' };
}
