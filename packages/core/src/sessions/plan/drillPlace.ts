import { drillCard, type Drill, type DrillId } from '../../library';
import { lengthsToMetres, poolDistance, type Pool } from '../../units';
import type { AnySet, BlockKind, SessionPlace } from './model';
import { repMetres, type Swims } from './setMeasure';

/** Where a set stands: in which part of a session, and in which water. */
export interface Stands {
  readonly block: BlockKind;
  readonly place: SessionPlace;
  readonly pool: Pool;
}

/** A little over what a card says is rounding: a length of 25.01 m, half of 33⅓. */
export const SLACK = 1.02;

/** Length of pools in which swimmers who cannot yet swim 50 m stay at the wall, metres. */
export const LONG_POOL_M = 30;

/**
 * Why a set must not be swum where and as it is written because of its drill, or null: its place is elsewhere, or one
 * try is more than its card allows. Sets without a drill only must not stand on land.
 */
export function drillProblem(set: AnySet, swims: Swims, stands: Stands): string | null {
  if (!set.drill) return stands.block === 'land' ? 'Swimming is not work on land.' : null;
  const drill = drillCard(set.drill);
  return placeProblem(drill, stands) ?? doseProblem(drill, set, swims, stands.pool);
}

function placeProblem({ name, places, levelEdge }: Drill, { block, place, pool }: Stands): string | null {
  const dry = places.includes('land');
  if (block === 'land') return dry ? null : `${name} is done in the water, not on land.`;
  if (dry && places.length === 1) return `${name} is done on land, not in the water.`;
  if (place === 'open-water') return places.includes('open-water') ? null : `${name} is not for open water.`;
  if (!places.some((p) => p !== 'land' && p !== 'open-water')) return `${name} is for open water, not for a pool.`;
  if (pool.standingDepth === false && places.includes('shallow') && !places.includes('pool'))
    return `${name} needs standing depth, and this pool has none.`;
  if (levelEdge && pool.edge === 'raised')
    return `${name}: the edge of this pool is raised and hurts heels; take open turns, or another end.`;
  return null;
}

/** A drill that may be swum at least this far can end in easy swimming to the wall; the others stop where they are, metres. */
const TO_WALL_FROM_M = 20;
/** The farthest rep that may end in easy swimming, metres. */
const TO_WALL_MOST_M = 100;

/**
 * Whether a number of lengths of a drill is within its card: as far as it may be swum at a time, or to the wall of a pool
 * that it does not fit, where what is over is swum easily.
 *
 * @example withinDose('front-scull', 1, { length: 50, unit: 'm' }) // true: 25 m, then easily to the wall
 */
export function withinDose(id: DrillId, lengths: number, pool: Pool): boolean {
  const { dose } = drillCard(id);
  if (dose.kind !== 'distance') return false;
  const metres = lengthsToMetres(pool, lengths);
  if (metres <= dose.mostM * SLACK) return true;
  const nearest = pool.length === 25 || pool.length === 50 ? 1 : 2;
  return dose.whole === undefined && dose.mostM >= TO_WALL_FROM_M && lengths <= nearest && metres <= TO_WALL_MOST_M;
}

function doseProblem({ name, dose }: Drill, set: AnySet, swims: Swims, pool: Pool): string | null {
  if (dose.kind === 'repeats')
    return set.kind === 'timed' ? null : `${name} is done on the spot: plan it by time, never as lengths.`;
  if (dose.kind === 'seconds') {
    if (set.kind !== 'timed') return `${name} is counted in seconds: plan it by time, never as lengths.`;
    return set.seconds > dose.seconds ? `${name}: ${dose.seconds} s is the most for one try.` : null;
  }
  const metres = repMetres(set, swims, pool);
  const fits = set.kind === 'timed' ? metres <= dose.mostM * SLACK : withinDose(set.drill!, set.lengths, pool);
  if (!fits) return `${name}: ${dose.mostM} m is the most for one try.`;
  // In yards a 50 is 50 yards.
  if (dose.whole !== undefined && (set.kind === 'timed' || poolDistance(pool, set.lengths) < dose.whole / SLACK))
    return `${name}: whole ${dose.whole}s only, nothing shorter.`;
  return null;
}
