import type { DrillId, KitId } from '../../library';
import { trainingLoad, type BreathsPerSide } from '../../measures';
import { inPoolUnit, lengthsToMetres, poolDistance, summaryWord, type Pool, type PoolTotal } from '../../units';
import { groupClock } from './clock';
import type { AnySet, Block, BlockKind, GroupPlan, SwimStroke } from './model';
import { breathsOf, looksIn } from './prescription';
import { effortParts, repLengths, repMetres, setsOf } from './setMeasure';

/** Pool lengths of a block; a drill block swum twice counts twice. */
export function blockLengths(block: Block): number {
  return setsOf(block.items).reduce((sum, { set, times }) => sum + set.reps * repLengths(set) * times, 0);
}

/** Metres of a block, with the estimate for what is measured in minutes. */
export function blockMetres(block: Block, group: GroupPlan, pool: Pool): number {
  return setsOf(block.items).reduce((sum, { set, times }) => sum + repMetres(set, group, pool) * set.reps * times, 0);
}

/** Pool lengths of a whole group plan. */
export function groupLengths(group: GroupPlan): number {
  return group.blocks.reduce((sum, block) => sum + blockLengths(block), 0);
}

export interface GroupTotals {
  readonly lengths: number;
  readonly metres: number;
  /** The part of the metres that is estimated from minutes. */
  readonly estimatedM: number;
  readonly seconds: number;
  readonly swimS: number;
  readonly restS: number;
  /** Of the rest, what the first of the fullest lane only waits for the last. */
  readonly waitS: number;
  readonly talkS: number;
  readonly landS: number;
  readonly load: number;
  readonly kit: readonly KitId[];
  /** Counted breaths; free breathing is not counted. */
  readonly breaths: { readonly left: number; readonly right: number };
  readonly looks: number;
  readonly metresByBlock: Readonly<Partial<Record<BlockKind, number>>>;
  /** By effort in whole percent. */
  readonly metresByEffort: Readonly<Record<number, number>>;
  readonly metresByStroke: Readonly<Partial<Record<SwimStroke, number>>>;
  readonly metresByDrill: Readonly<Partial<Record<DrillId, number>>>;
}

/** The total of a group in the unit of its pool. @example poolTotal(groupTotals(group, yards), yards) // { distance: 625, unit: 'yd', … } */
export function poolTotal({ lengths, metres, estimatedM }: GroupTotals, pool: Pool): PoolTotal {
  const { unit } = pool;
  if (estimatedM === 0) return { distance: poolDistance(pool, lengths), unit, about: false };
  return { distance: inPoolUnit(pool, metres), unit, about: true };
}

/**
 * How far a group swims, in words: about, where some of it is measured in minutes; by the clock, where all of it is on the
 * spot.
 *
 * @param write how a number is written; as it is when left out
 * @example totalWord(groupTotals(group, pool), pool) // '1800 m'
 */
export function totalWord(totals: GroupTotals, pool: Pool, write: (value: number) => string = String): string {
  if (totals.metres === 0 && totals.swimS > 0) return 'by the clock';
  return summaryWord({ metres: totals.metres, inPool: poolTotal(totals, pool) }, write);
}

/**
 * Counted breaths of all reps of a set that is swum through several times. A rep's breaths depend on whether an
 * even or an odd number of reps came before, so each of the two is counted once and multiplied.
 *
 * @param before reps that were swum before this set
 */
function breathsOfReps(
  set: AnySet,
  times: number,
  before: number,
  breaths: (sequence: number, rep: number) => BreathsPerSide,
): BreathsPerSide {
  let [left, right] = [0, 0];
  const add = (sequence: number, rep: number, count: number) => {
    if (count === 0) return;
    const counted = breaths(sequence, rep);
    left += counted.left * count;
    right += counted.right * count;
  };
  const pairs = (all: number) => [Math.ceil(all / 2), Math.floor(all / 2)] as const;
  // Only limited breathing changes from rep to rep; with an even number of reps each time through begins alike.
  const different = set.breathing.kind === 'limited' ? set.reps : 1;
  const [first, second] = different === 1 ? pairs(set.reps * times) : set.reps % 2 === 0 ? [times, 0] : pairs(times);
  for (let rep = 0; rep < different; rep++) {
    add(before + rep, rep, first);
    add(before + rep + 1, rep, second);
  }
  return { left, right };
}

/**
 * Totals of one group, or of one lane with its own speed in `v400Mps`: distance, minutes, load, kit,
 * breaths per side, looks, and the metres by block, effort, stroke and drill.
 */
export function groupTotals(group: GroupPlan, pool: Pool): GroupTotals {
  const breaths = { left: 0, right: 0 };
  const kit = new Set<KitId>();
  const loads: { distanceM: number; effort: number }[] = [];
  const metresByBlock: Partial<Record<BlockKind, number>> = {};
  const metresByEffort: Record<number, number> = {};
  const metresByStroke: Partial<Record<SwimStroke, number>> = {};
  const metresByDrill: Partial<Record<DrillId, number>> = {};
  let estimatedM = 0;
  let looks = 0;
  let reps = 0;

  for (const block of group.blocks) {
    metresByBlock[block.kind] = (metresByBlock[block.kind] ?? 0) + blockMetres(block, group, pool);
    for (const { set, times } of setsOf(block.items)) {
      const repM = repMetres(set, group, pool);
      const metres = repM * set.reps * times;
      set.kit.forEach((item) => kit.add(item));
      for (const { share, effort } of effortParts(set)) {
        loads.push({ distanceM: metres * share, effort });
        const percent = Math.round(effort * 100);
        metresByEffort[percent] = (metresByEffort[percent] ?? 0) + metres * share;
      }
      if (set.kind === 'timed') estimatedM += metres;
      if (set.drill) metresByDrill[set.drill] = (metresByDrill[set.drill] ?? 0) + metres;
      else metresByStroke[set.stroke] = (metresByStroke[set.stroke] ?? 0) + metres;
      looks += looksIn(set, repM, group.strokeLengthM) * set.reps * times;
      const counted = breathsOfReps(set, times, reps, (sequence, rep) =>
        breathsOf(set, repM, lengthsToMetres(pool, 1), group.strokeLengthM, sequence, rep),
      );
      breaths.left += counted.left;
      breaths.right += counted.right;
      reps += set.reps * times;
    }
  }
  const lengths = groupLengths(group);
  const clock = groupClock(group, pool);
  return {
    lengths,
    metres: lengthsToMetres(pool, lengths) + estimatedM,
    estimatedM,
    seconds: clock.totalS,
    swimS: clock.swimS,
    restS: clock.restS,
    waitS: clock.waitS,
    talkS: clock.talkS,
    landS: clock.landS,
    load: trainingLoad(loads),
    kit: [...kit],
    breaths,
    looks,
    metresByBlock,
    metresByEffort,
    metresByStroke,
    metresByDrill,
  };
}
