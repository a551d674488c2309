import { drillCard } from '../../library';
import { effortSpeed } from '../../measures';
import { lengthsToMetres, type Pool } from '../../units';
import type { AnySet, GroupPlan, Item } from './model';

/** Effort of easy swimming, the measure for the speed factor of a drill. */
export const EASY = 0.6;

/** Speed and habits a set is measured with. */
export type Swims = Pick<GroupPlan, 'v400Mps' | 'paceTable'>;

/** Whether an item is a set rather than rounds of sets. */
export function isSet(item: Item): item is AnySet {
  return item.kind !== 'rounds';
}

/** Pool lengths of one rep; 0 for a set that is measured in minutes. */
export function repLengths(set: AnySet): number {
  return set.kind === 'timed' ? 0 : set.lengths;
}

/** The parts of a rep with their efforts: one, or two halves. */
export function effortParts(set: AnySet): readonly { readonly share: number; readonly effort: number }[] {
  if (set.kind !== 'halves') return [{ share: 1, effort: set.effort }];
  return [
    { share: 0.5, effort: set.effort },
    { share: 0.5, effort: set.secondEffort },
  ];
}

/**
 * Metres a second of a set; a drill takes its factor of easy swimming, everything else the speed of
 * its effort. Drills without a distance stand still.
 */
function setSpeed(set: AnySet, effort: number, swims: Swims): number {
  const factor = set.drill ? drillCard(set.drill).factor : undefined;
  if (factor === null) return 0;
  return factor === undefined
    ? effortSpeed(swims.v400Mps, effort, swims.paceTable)
    : effortSpeed(swims.v400Mps, EASY, swims.paceTable) * factor;
}

/** Metres of one rep; an estimate from the pace when the set is measured in minutes. */
export function repMetres(set: AnySet, swims: Swims, pool: Pool): number {
  return set.kind === 'timed' ? set.seconds * setSpeed(set, set.effort, swims) : lengthsToMetres(pool, set.lengths);
}

/** Metres a second of the slowest part of a rep; 0 for a drill that stands still. */
export function slowestMps(set: AnySet, swims: Swims): number {
  return Math.min(...effortParts(set).map(({ effort }) => setSpeed(set, effort, swims)));
}

/** Seconds of one rep at a group's, a lane's or a swimmer's speed. */
export function repSeconds(set: AnySet, swims: Swims, pool: Pool): number {
  if (set.kind === 'timed') return set.seconds;
  const metres = lengthsToMetres(pool, set.lengths);
  return effortParts(set).reduce((sum, { share, effort }) => {
    // A drill that covers no distance but is written over one: at the pace of the slowest drills.
    const speed = setSpeed(set, effort, swims) || effortSpeed(swims.v400Mps, EASY, swims.paceTable) * 0.3;
    return sum + (metres * share) / speed;
  }, 0);
}

/** Rest after one rep, seconds; a send-off shorter than the swim leaves none. */
export function restSeconds(set: AnySet, repS: number): number {
  return set.timing.kind === 'rest' ? set.timing.seconds : Math.max(0, set.timing.seconds - repS);
}
