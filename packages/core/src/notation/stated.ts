// Stated totals, checked against the sums.
import {
  blockLengths,
  BLOCK_NAME,
  groupLengths,
  isRounds,
  repLengths,
  setsOf,
  type Block,
  type GroupPlan,
  type Item,
} from '../sessions';
import { poolDistance, type Pool } from '../units';
import { timesWord } from '../words';

/** Rounds anywhere in some items, with the lengths of one passage and how often it is swum in all. */
function roundsIn(items: readonly Item[], around = 1): { rounds: number; once: number; around: number }[] {
  return items.flatMap((item) => {
    if (!isRounds(item)) return [];
    const once = setsOf(item.items).reduce((sum, { set, times: n }) => sum + set.reps * repLengths(set) * n, 0);
    return [{ rounds: item.rounds, once, around }, ...roundsIn(item.items, around * item.rounds)];
  });
}

/**
 * Why a stated total differs from the written one, when a single slip explains it exactly.
 *
 * @param stated in the unit of the pool
 * @param name of what is counted, for the sentence
 */
function causeOf(blocks: readonly Block[], stated: number, pool: Pool, whole: boolean): string | null {
  const d = (lengths: number) => poolDistance(pool, lengths);
  const total = d(blocks.reduce((sum, block) => sum + blockLengths(block), 0));
  const off = Math.round((total - stated) * 100) / 100;
  const is = (value: number, lengths: number) => lengths > 0 && Math.abs(value - d(lengths)) < 0.02;
  for (const block of blocks) {
    const name = `the ${BLOCK_NAME[block.kind].toLowerCase()} block`;
    for (const { rounds, once, around } of roundsIn(block.items)) {
      for (let counted = 1; counted < rounds; counted++)
        if (is(off, once * around * (rounds - counted)))
          return `${name} was counted ${timesWord(counted)} instead of ${timesWord(rounds)}`;
      if (is(-off, once * around))
        return `${name} was counted ${timesWord(rounds + 1)} instead of ${timesWord(rounds)}`;
    }
    if (whole && is(off, blockLengths(block))) return `${name} was left out`;
    if (whole && is(-off, blockLengths(block))) return `${name} was counted twice instead of once`;
  }
  for (const { set, times: passes } of blocks.flatMap((block) => setsOf(block.items))) {
    const rep = repLengths(set) * passes;
    const named = `${set.reps} × ${d(repLengths(set))}`;
    if (is(off, rep)) return `one rep of ${named} was left out`;
    if (is(-off, rep)) return `${named} was counted with one rep more`;
    if (set.reps > 1 && is(off, rep * (set.reps - 1)))
      return `${named} was counted once instead of ${timesWord(set.reps)}`;
    if (is(off, rep * set.reps)) return `${named} was left out`;
  }
  const digits = (n: number) => [...String(Math.round(n))].sort().join('');
  if (digits(total) === digits(stated)) return 'two digits changed places';
  return null;
}

function sentence(written: number, stated: number, unit: string, cause: string | null): string {
  const off = Math.round(Math.abs(written - stated) * 100) / 100;
  const more = stated > written ? 'more' : 'less';
  return `Stated ${stated}, written ${written}: ${off} ${unit} ${more}.${cause ? ` Likely ${cause}.` : ''}`;
}

/** What is wrong with a stated total of a block, or null when it is right or cannot be checked. */
export function checkBlockTotal(block: Block, stated: number, pool: Pool): string | null {
  return check([block], poolDistance(pool, blockLengths(block)), stated, pool, false);
}

/** What is wrong with the stated total of a group, or null. */
export function checkGroupTotal(
  group: GroupPlan,
  stated: number,
  pool: Pool,
  statedByBlock: ReadonlyMap<string, number>,
): string | null {
  const written = poolDistance(pool, groupLengths(group));
  const water = group.blocks.filter((block) => block.items.length > 0);
  const sum = water.reduce((total, b) => total + (statedByBlock.get(b.id) ?? poolDistance(pool, blockLengths(b))), 0);
  const found = check(water, written, stated, pool, true);
  if (found && Math.abs(sum - stated) < 0.02 && Math.abs(sum - written) > 0.02)
    return sentence(written, stated, pool.unit, 'it adds the stated block totals, and one of them is off');
  return found;
}

function check(blocks: readonly Block[], written: number, stated: number, pool: Pool, whole: boolean): string | null {
  if (blocks.some((block) => setsOf(block.items).some(({ set }) => set.kind === 'timed'))) return null;
  if (Math.abs(written - stated) < 0.02) return null;
  return sentence(written, stated, pool.unit, causeOf(blocks, stated, pool, whole));
}
