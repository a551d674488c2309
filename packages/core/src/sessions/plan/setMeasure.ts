import { drillCard, type DrillId } from '../../library';
import { effortSpeed } from '../../measures';
import { lengthsToMetres, type Pool } from '../../units';
import type { AnySet, DescendSet, GroupPlan, Item, Rounds, TimedSet } from './model';
import { SHORT_BUTTERFLY, strokeShare } from './strokePace';

/** Effort of easy swimming, the measure for the speed factor of a drill. */
export const EASY = 0.6;

/** Speed and habits a set is measured with. */
export type Swims = Pick<GroupPlan, 'v400Mps' | 'paceTable' | 'strokeShares'>;

/** Whether an item is a set rather than rounds of sets or a pause. */
export function isSet(item: Item): item is AnySet {
  return item.kind !== 'rounds' && item.kind !== 'pause';
}

/** Whether an item holds others. */
export function isRounds(item: Item): item is Rounds {
  return item.kind === 'rounds';
}

/** Every set of some items with how many times it is swum through, rounds multiplied out. */
export function setsOf(items: readonly Item[], times = 1): { set: AnySet; times: number }[] {
  return items.flatMap((item) => {
    if (item.kind === 'pause') return [];
    return isSet(item) ? [{ set: item, times }] : setsOf(item.items, times * item.rounds);
  });
}

/** Pool lengths of one rep; 0 for a set that is measured in minutes. */
export function repLengths(set: AnySet): number {
  return set.kind === 'timed' ? 0 : set.lengths;
}

/**
 * The parts of a set with their efforts and shares of its metres: one, two halves of each rep, or the reps of a set that
 * descends.
 *
 * @example effortParts(descend) // reps 3, 0.7 to 0.9: 0.7, 0.8, 0.9, a third each
 */
export function effortParts(set: AnySet): readonly { readonly share: number; readonly effort: number }[] {
  if (set.kind === 'descend')
    return Array.from({ length: set.reps }, (_, rep) => ({ share: 1 / set.reps, effort: effortOfRep(set, rep) }));
  if (set.kind !== 'halves') return [{ share: 1, effort: set.effort }];
  return [
    { share: 0.5, effort: set.effort },
    { share: 0.5, effort: set.secondEffort },
  ];
}

/** Effort of one rep of a set that descends, from 0; to a thousandth. */
export function effortOfRep({ reps, effort, lastEffort }: DescendSet, rep: number): number {
  if (reps <= 1) return effort;
  return Math.round((effort + ((lastEffort - effort) * rep) / (reps - 1)) * 1000) / 1000;
}

/**
 * Metres a second of a set over one rep of `repM`; a drill takes its factor of easy swimming, everything else the speed
 * of its effort, in its stroke. Drills without a distance stand still.
 */
function setSpeed(set: AnySet, effort: number, swims: Swims, repM: number): number {
  const factor = set.drill ? drillCard(set.drill).factor : undefined;
  if (factor === null) return 0;
  if (factor !== undefined) {
    const share = set.stroke === 'breaststroke' ? strokeShare(set, repM, swims.strokeShares) : 1;
    const easy = effortSpeed(swims.v400Mps, EASY, swims.paceTable) * share;
    // What is more than the card's most is swum easily to the wall.
    const drilled = Math.min(1, mostOf(set.drill!) / Math.max(repM, 1));
    return easy / (drilled / factor + 1 - drilled);
  }
  return effortSpeed(swims.v400Mps, effort, swims.paceTable) * strokeShare(set, repM, swims.strokeShares);
}

/** Metres of one try of a drill at the most; no limit where it is not counted in metres. */
function mostOf(id: DrillId): number {
  const { dose } = drillCard(id);
  return dose.kind === 'distance' ? dose.mostM : Infinity;
}

/** Metres in a time, in a stroke whose speed may depend on how far it is swum. */
function metresIn(set: TimedSet, swims: Swims): number {
  const short = set.seconds * setSpeed(set, set.effort, swims, 0);
  if (short <= SHORT_BUTTERFLY.metres) return short;
  return Math.max(SHORT_BUTTERFLY.metres, set.seconds * setSpeed(set, set.effort, swims, short));
}

/** Metres of one rep; an estimate from the pace when the set is measured in minutes. */
export function repMetres(set: AnySet, swims: Swims, pool: Pool): number {
  return set.kind === 'timed' ? metresIn(set, swims) : lengthsToMetres(pool, set.lengths);
}

/** Metres a second of the slowest part of a rep; 0 for a drill that stands still. */
export function slowestMps(set: AnySet, swims: Swims, pool: Pool): number {
  const repM = repMetres(set, swims, pool);
  return Math.min(...effortParts(set).map(({ effort }) => setSpeed(set, effort, swims, repM)));
}

/** Seconds of one rep at a group's, a lane's or a swimmer's speed; of a set that descends, of the mean rep. */
export function repSeconds(set: AnySet, swims: Swims, pool: Pool): number {
  if (set.kind === 'timed') return set.seconds;
  const metres = lengthsToMetres(pool, set.lengths);
  return effortParts(set).reduce((sum, { share, effort }) => {
    // A drill that covers no distance but is written over one: at the pace of the slowest drills.
    const speed = setSpeed(set, effort, swims, metres) || effortSpeed(swims.v400Mps, EASY, swims.paceTable) * 0.3;
    return sum + (metres * share) / speed;
  }, 0);
}

/** Rest after one rep, seconds; a send-off shorter than the swim leaves none. */
export function restSeconds(set: AnySet, repS: number): number {
  return set.timing.kind === 'rest' ? set.timing.seconds : Math.max(0, set.timing.seconds - repS);
}
