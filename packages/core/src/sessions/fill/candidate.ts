import type { DrillId, KitId } from '../../library';
import { trainingLoad } from '../../measures';
import type { CauseId } from '../../review';
import { lengthsToMetres, type Pool } from '../../units';
import { BETWEEN_SETS_S, groupClock } from '../plan/clock';
import type { AnySet, Block, BlockKind, GroupPlan, Item } from '../plan/model';
import type { GroupRequest } from '../request/model';
import { effortParts, isSet, repLengths, repMetres } from '../plan/setMeasure';
import { setsOf } from '../plan/totals';

/** One way to fill a block, with what the search needs to know of it. */
export interface Candidate {
  readonly block: Block;
  readonly seconds: number;
  /** Pool lengths; a part of one when something is measured in minutes. */
  readonly lengths: number;
  /** Metres × effort factor. */
  readonly load: number;
  /** Rounds, so that groups of the same shape can be matched. */
  readonly rounds: number;
  /** Cost of an awkward candidate: odd number of lengths, added rest. */
  readonly awkward: number;
}

export type Candidates = Readonly<Record<Exclude<BlockKind, 'land'>, readonly Candidate[]>>;

/** What a block is filled from. */
export interface Context {
  readonly groupPlan: GroupPlan;
  readonly groupRequest: GroupRequest;
  readonly pool: Pool;
  readonly theme: CauseId;
  readonly kit: readonly KitId[];
  readonly drills: readonly DrillId[];
  /** How much farther this group gets than the recipe thinks of: longer hours, faster swimmers. */
  readonly reach: number;
}

/** One way to fill a block, measured; none when a set would have part of a rep. */
export function candidate(
  context: Context,
  kind: BlockKind,
  items: readonly Item[],
  rounds: number,
  awkward: number,
): Candidate[] {
  if (items.some((item) => isSet(item) && !Number.isInteger(item.reps))) return [];
  return [measured(context, { kind, id: kind, landMinutes: 0, items, note: '' }, rounds, awkward)];
}

/** A block as a candidate, on the clock of its group. */
export function measured(context: Context, block: Block, rounds: number, awkward: number): Candidate {
  const clock = groupClock({ ...context.groupPlan, blocks: [block] }, context.pool);
  // Alone on the clock the block has no pause before it; in the session only the first one has none.
  const pause = block.kind === 'warm-up' ? 0 : BETWEEN_SETS_S;
  return {
    block,
    seconds: clock.totalS + pause,
    lengths: sizeOf(context, block),
    load: loadOf(context, block),
    rounds,
    awkward,
  };
}

function loadOf({ groupPlan, pool }: Context, block: Block): number {
  return trainingLoad(
    setsOf(block.items).flatMap(({ set, times }) => {
      const metres = repMetres(set, groupPlan, pool) * set.reps * times;
      return effortParts(set).map(({ share, effort }) => ({ distanceM: metres * share, effort }));
    }),
  );
}

/** Pool lengths of a block: exact but for what covers a distance by the clock. */
function sizeOf({ groupPlan, pool }: Context, block: Block): number {
  const lengthsOf = (set: AnySet) =>
    set.kind === 'timed' ? repMetres(set, groupPlan, pool) / lengthsToMetres(pool, 1) : repLengths(set);
  return setsOf(block.items).reduce((sum, { set, times }) => sum + set.reps * lengthsOf(set) * times, 0);
}
