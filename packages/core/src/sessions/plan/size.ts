import { BLOCK_NAME, DEEPEST_ROUNDS, type Block, type Item } from './model';
import { isSet } from './setMeasure';
import { numberWord } from '../../words';

/** Most sets of one group in a row, rounds multiplied out: as many as a lane can run through on deck. */
export const MOST_PASSAGES = 500;

/** Most repetitions of one group, rounds multiplied out. */
export const MOST_REPS = 5000;

/** How large some items are once their rounds are multiplied out. */
export interface ItemsSize {
  /** How deep rounds lie in rounds; 0 without any. */
  readonly depth: number;
  /** Sets in the order they are swum. */
  readonly passages: number;
  readonly reps: number;
}

/**
 * The size of some items, in one look at each of them, however often they are swum.
 *
 * Below {@link DEEPEST_ROUNDS} nothing is counted any more: deeper rounds are too deep whatever is in them.
 *
 * @example sizeOf([{ kind: 'rounds', id: 'r', rounds: 3, items: [set, set] }]) // { depth: 1, passages: 6, reps: … }
 */
export function sizeOf(items: readonly Item[], around = 0): ItemsSize {
  let [depth, passages, reps] = [around, 0, 0];
  for (const item of items) {
    if (item.kind === 'pause') continue;
    if (isSet(item)) {
      passages += 1;
      reps += item.reps;
    } else if (around >= DEEPEST_ROUNDS) {
      depth = Math.max(depth, around + 1);
    } else {
      const inner = sizeOf(item.items, around + 1);
      depth = Math.max(depth, inner.depth);
      passages += inner.passages * item.rounds;
      reps += inner.reps * item.rounds;
    }
  }
  return { depth, passages, reps };
}

/** Why the blocks of a group are too large to be planned, in a sentence; null when they are not. */
export function sizeProblem(blocks: readonly Pick<Block, 'kind' | 'items'>[]): string | null {
  let [passages, reps] = [0, 0];
  for (const block of blocks) {
    const size = sizeOf(block.items);
    if (size.depth > DEEPEST_ROUNDS)
      return `${BLOCK_NAME[block.kind]}: rounds can be nested up to ${DEEPEST_ROUNDS} deep.`;
    passages += size.passages;
    reps += size.reps;
  }
  if (passages > MOST_PASSAGES)
    return `With all rounds this is ${numberWord(passages)} sets in a row; a group has at most ${numberWord(MOST_PASSAGES)}.`;
  if (reps > MOST_REPS)
    return `With all rounds this is ${numberWord(reps)} repetitions; a group has at most ${numberWord(MOST_REPS)}.`;
  return null;
}
