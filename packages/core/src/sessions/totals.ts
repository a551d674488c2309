import type { KitId } from '../library';
import { breathsPerSide, trainingLoad } from '../measures';
import { lengthsToMetres, type Pool } from '../units';
import { groupClock } from './clock';
import type { Block, BlockKind, GroupPlan, Item, SwimSet } from './model';

/** Every set of some items with how many times it is swum through, rounds multiplied out. */
export function setsOf(items: readonly Item[], times = 1): { set: SwimSet; times: number }[] {
  return items.flatMap((item) =>
    item.kind === 'swim' ? [{ set: item, times }] : setsOf(item.items, times * item.rounds),
  );
}

/** Pool lengths of a block; a drill block swum twice counts twice. */
export function blockLengths(block: Block): number {
  return setsOf(block.items).reduce((sum, { set, times }) => sum + set.reps * set.lengths * times, 0);
}

/** Pool lengths of a whole group plan. */
export function groupLengths(group: GroupPlan): number {
  return group.blocks.reduce((sum, block) => sum + blockLengths(block), 0);
}

export interface GroupTotals {
  readonly lengths: number;
  readonly metres: number;
  readonly seconds: number;
  readonly load: number;
  readonly kit: readonly KitId[];
  /** Counted breaths; free breathing is not counted. */
  readonly breaths: { readonly left: number; readonly right: number };
  readonly looks: number;
  readonly metresByBlock: Readonly<Partial<Record<BlockKind, number>>>;
}

/** Totals of one group: distance, time, load, kit, breaths per side and looks. */
export function groupTotals(group: GroupPlan, pool: Pool): GroupTotals {
  const breaths = { left: 0, right: 0 };
  const kit = new Set<KitId>();
  const loads: { distanceM: number; effort: number }[] = [];
  const metresByBlock: Partial<Record<BlockKind, number>> = {};
  let looks = 0;
  let reps = 0;

  for (const block of group.blocks) {
    metresByBlock[block.kind] = (metresByBlock[block.kind] ?? 0) + lengthsToMetres(pool, blockLengths(block));
    for (const { set, times } of setsOf(block.items)) {
      const repM = lengthsToMetres(pool, set.lengths);
      set.kit.forEach((item) => kit.add(item));
      loads.push({ distanceM: repM * set.reps * times, effort: set.effort });
      if (set.sightEvery) looks += Math.floor(repM / (group.strokeLengthM * set.sightEvery)) * set.reps * times;
      if (set.breathing.kind !== 'every') continue;
      for (let rep = 0; rep < set.reps * times; rep++, reps++) {
        // An odd pattern begins on the other side each time; an even one stays where the coach put it.
        const swaps = set.breathing.strokes % 2 === 1 && reps % 2 === 1;
        const other = set.breathing.side === 'left' ? 'right' : 'left';
        const side = swaps ? other : set.breathing.side;
        const counted = breathsPerSide(set.breathing.strokes, repM, group.strokeLengthM, side);
        breaths.left += counted.left;
        breaths.right += counted.right;
      }
    }
  }
  const lengths = groupLengths(group);
  return {
    lengths,
    metres: lengthsToMetres(pool, lengths),
    seconds: groupClock(group, pool).totalS,
    load: trainingLoad(loads),
    kit: [...kit],
    breaths,
    looks,
    metresByBlock,
  };
}
