import type { DrillId, KitId } from '../../library';
import { trainingLoad } from '../../measures';
import type { CauseId } from '../../review';
import { lengthsToMetres, type Pool } from '../../units';
import { BETWEEN_SETS_S, groupClock } from '../plan/clock';
import type { AnySet, Block, BlockKind, GroupPlan, Item } from '../plan/model';
import { isOneSided } from '../plan/weakSide';
import { endsAtHome } from './distances';
import type { GroupRequest } from '../request/model';
import { effortParts, isSet, repLengths, repMetres, setsOf } from '../plan/setMeasure';

/** What the search needs to know of something that is swum. */
export interface Measured {
  readonly seconds: number;
  /** Seconds of them moving in the water. */
  readonly movingS: number;
  /** Pool lengths; a part of one when something is measured in minutes. */
  readonly lengths: number;
  /** Metres × effort factor. */
  readonly load: number;
}

/** One way to fill a block. */
export interface Candidate extends Measured {
  readonly block: () => Block;
  /** What makes two sessions alike to explain: the shape of a main part, the rounds of the drills. */
  readonly shape: string;
  /** Cost of an awkward candidate. */
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
  /** Seconds from the first stroke to the end. */
  readonly waterS: number;
  readonly seed: number;
}

/** One way to fill a block, measured; none when a set would have part of a rep. */
export function candidate(
  context: Context,
  kind: BlockKind,
  items: readonly Item[],
  shape: string,
  awkward: number,
  note = '',
): Candidate[] {
  if (items.some((item) => isSet(item) && !Number.isInteger(item.reps))) return [];
  return [measured(context, { kind, id: kind, landMinutes: 0, items, note }, shape, awkward)];
}

/** A block that ends at the home wall. */
export function atHome(
  context: Context,
  kind: 'warm-up' | 'drills' | 'speed' | 'swim-down',
  items: readonly Item[],
  shape: string,
  awkward: number,
): Candidate[] {
  return candidate(context, kind, items, shape, awkward).filter((c) => endsAtHome(Math.round(c.lengths * 2) / 2));
}

/** How easy parts are breathed: to the less-used side where that is the theme. */
const WEAK_SIDE_NOTE = 'Breathe to your less-used side.';
export const easyNote = (context: Context, note = ''): string =>
  isOneSided(context.theme) && context.groupRequest.level !== 'settle'
    ? [WEAK_SIDE_NOTE, note].filter(Boolean).join(' ')
    : note;

/** A block as a candidate, on the clock of its group. */
export function measured(context: Context, block: Block, shape: string, awkward: number): Candidate {
  const { seconds, ...rest } = measure(context, block);
  // Alone on the clock the block has no time between sets before it; in the session only the first one has none.
  const [first] = block.items;
  const between = block.kind === 'warm-up' || first?.kind === 'pause' ? 0 : BETWEEN_SETS_S;
  return { ...rest, block: () => block, seconds: seconds + between, shape, awkward };
}

/** A block, or a part of one, alone on the clock of its group. */
export function measure({ groupPlan, pool }: Context, block: Block): Measured {
  const { totalS, swimS } = groupClock({ ...groupPlan, blocks: [block] }, pool);
  const sets = setsOf(block.items);
  const lengthsOf = (set: AnySet) =>
    set.kind === 'timed' ? repMetres(set, groupPlan, pool) / lengthsToMetres(pool, 1) : repLengths(set);
  return {
    seconds: totalS,
    movingS: swimS,
    // Exact but for what covers a distance by the clock.
    lengths: sets.reduce((sum, { set, times }) => sum + set.reps * lengthsOf(set) * times, 0),
    load: trainingLoad(
      sets.flatMap(({ set, times }) => {
        const metres = repMetres(set, groupPlan, pool) * set.reps * times;
        return effortParts(set).map(({ share, effort }) => ({ distanceM: metres * share, effort }));
      }),
    ),
  };
}
