import { drillCard, type DrillId } from '../../library';
import { effortSpeed } from '../../measures';
import { lengthsToMetres, type Pool } from '../../units';
import { swim } from './plainSet';
import { SLACK, withinDose } from '../plan/drillPlace';
import type { LevelId } from '../../swimmers';
import { saidLengths } from './distances';
import type { AnySet, BlockKind, GroupPlan, SwimStroke, TimedSet } from '../plan/model';
import { EASY, type Swims } from '../plan/setMeasure';

/** Seconds to get ready between two tries. */
const READY_S = 20;

/**
 * A drill as a part of its own by the clock, in the dose of its card: for what is counted in seconds or done on the spot,
 * and for distances shorter than the pool.
 *
 * @example onTheSpot('d', 'chest-lean', group) // 6 × 10 s, 20 s between
 */
export function onTheSpot(id: string, drill: DrillId, swims: Swims, stroke: SwimStroke = 'front-crawl'): TimedSet {
  const { dose, factor, kit } = drillCard(drill);
  const set = (reps: number, seconds: number, note: string): TimedSet => {
    const { lengths: _lengths, ...fields } = swim(id, reps, 1, { drill, rest: READY_S, kit, note, stroke });
    return { ...fields, kind: 'timed', seconds };
  };
  if (dose.kind === 'seconds') return set(dose.tries, dose.seconds, '');
  // The tries in one stretch, each as long as it takes, in whole half-minutes.
  if (dose.kind === 'repeats') return set(1, Math.ceil((dose.tries * dose.eachS) / 30) * 30, `${dose.tries} times.`);
  const speed = effortSpeed(swims.v400Mps, EASY, swims.paceTable) * (factor ?? 1);
  return set(
    dose.tries,
    Math.max(5, Math.floor(dose.metres / speed / 5) * 5),
    `About ${dose.metres} m, then back easy.`,
  );
}

/** Effort of a steady swim, with which a new set of the main part begins. */
const STEADY = 0.8;

/**
 * What a set that is added by hand begins as: easy 50s, steady in the main part; tries where one can stand for beginners.
 */
export function newSet(id: string, block: BlockKind, group: GroupPlan): AnySet {
  if (group.level === 'settle') return onTheSpot(id, 'wall-tries', group, 'choice');
  return swim(id, 4, 2, { effort: block === 'main' ? STEADY : EASY, rest: 15 });
}

/** Whether a drill is always swum over one distance. */
export const isWhole = (id: DrillId): boolean => {
  const { dose } = drillCard(id);
  return dose.kind === 'distance' && dose.whole !== undefined;
};

/**
 * Lengths of one try of a drill in the distance of its card; in pools that it does not fit, as far as the wall, with what
 * is over its most swum easily. Null when it is not swum in lengths, or the wall is too far.
 *
 * @param level beginners swim one length at a time
 * @example lengthsOfDrill('front-scull', { length: 50, unit: 'm' }) // 1: 25 m, then easily to the wall
 */
export function lengthsOfDrill(id: DrillId, pool: Pool, level?: LevelId): number | null {
  const { dose } = drillCard(id);
  if (dose.kind !== 'distance') return null;
  if (dose.whole !== undefined) {
    const lengths = dose.whole / pool.length;
    return Number.isInteger(lengths) ? lengths : null;
  }
  const said = level === 'settle' ? 1 : Math.max(1, saidLengths(dose.metres, pool) ?? 1);
  return withinDose(id, said, pool) ? said : null;
}

/** What is said of a drill whose most ends before the wall; nothing when it does not. */
export function drillNote(id: DrillId, lengths: number, pool: Pool): string {
  const { dose } = drillCard(id);
  if (dose.kind !== 'distance' || lengthsToMetres(pool, lengths) <= dose.mostM * SLACK) return '';
  return `${dose.mostM} m of it, then easily to the wall.`;
}

/**
 * A set with a drill taken into it in the dose of its card: as far as it may be swum at a time, or by the clock where it is
 * not swum in lengths.
 *
 * @example withDrill(set, 'chest-lean', group, pool) // 6 × 10 s in the place of the set
 */
export function withDrill(set: AnySet, drill: DrillId, swims: Swims, pool: Pool): AnySet {
  const { kit } = drillCard(drill);
  const lengths = lengthsOfDrill(drill, pool);
  if (lengths === null) return onTheSpot(set.id, drill, swims, set.stroke);
  const { id, reps, stroke, timing } = set;
  return { ...swim(id, reps, lengths, { drill, kit, stroke, note: drillNote(drill, lengths, pool) }), timing };
}
