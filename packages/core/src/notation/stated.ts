// Stated totals, checked against the sums.
import {
  blockLengths,
  blockWord,
  groupLengths,
  isRounds,
  isSet,
  repLengths,
  setsOf,
  type Block,
  type GroupPlan,
  type Item,
} from '../sessions';
import { poolDistance, type Pool } from '../units';
import { plural, timesWord } from '../words';

/** Rounds anywhere in some items, with the lengths of one passage and how often it is swum in all. */
function roundsIn(items: readonly Item[], around = 1): { rounds: number; once: number; around: number }[] {
  return items.flatMap((item) => {
    if (!isRounds(item)) return [];
    const once = setsOf(item.items).reduce((sum, { set, times: n }) => sum + set.reps * repLengths(set) * n, 0);
    return [{ rounds: item.rounds, once, around }, ...roundsIn(item.items, around * item.rounds)];
  });
}

/** Most slips that are named. */
const MOST_SLIPS = 4;

/**
 * The single slips that explain exactly why a stated total differs from the written one, the likeliest first.
 *
 * @param stated in the unit of the pool
 * @param whole whether these are all blocks of a group, of which one may have been left out
 */
function slips(blocks: readonly Block[], stated: number, pool: Pool, whole: boolean): string[] {
  const d = (lengths: number) => poolDistance(pool, lengths);
  const total = d(blocks.reduce((sum, block) => sum + blockLengths(block), 0));
  const off = Math.round((total - stated) * 100) / 100;
  const is = (value: number, lengths: number) => lengths > 0 && Math.abs(value - d(lengths)) < 0.02;
  const found: string[] = [];
  const could = (when: boolean, slip: string) => when && found.push(slip);
  for (const block of blocks) {
    const name = `the ${blockWord(block).toLowerCase()} block`;
    const round = block.items.length === 1 ? name : `rounds in ${name}`;
    const counted = `${round} ${plural(block.items.length, 'was', 'were')} counted`;
    for (const { rounds, once, around } of roundsIn(block.items)) {
      for (let swum = 1; swum < rounds; swum++)
        could(
          is(off, once * around * (rounds - swum)),
          `${counted} ${timesWord(swum)} instead of ${timesWord(rounds)}`,
        );
      could(is(-off, once * around), `${counted} ${timesWord(rounds + 1)} instead of ${timesWord(rounds)}`);
    }
    could(whole && is(off, blockLengths(block)), `${name} was left out`);
    could(whole && is(-off, blockLengths(block)), `${name} was counted twice instead of once`);
  }
  for (const block of blocks) {
    // The only set of a block was named with it.
    const alone = whole && block.items.length === 1 && isSet(block.items[0]!);
    for (const { set, times: passes } of setsOf(block.items)) {
      const rep = repLengths(set) * passes;
      const single = set.reps < 2;
      const named = single ? `${d(repLengths(set))}` : `${set.reps} × ${d(repLengths(set))}`;
      could(!single && is(off, rep), `one rep of ${named} was left out`);
      could(is(-off, rep) && !(alone && single), `${named} was counted ${single ? 'twice' : 'with one rep more'}`);
      could(
        set.reps > 2 && is(off, rep * (set.reps - 1)),
        `${named} was counted once instead of ${timesWord(set.reps)}`,
      );
      could(is(off, rep * set.reps) && !alone, `${named} was left out`);
    }
  }
  const digits = (n: number) => [...String(Math.round(n))].sort().join('');
  could(digits(total) === digits(stated), 'two digits changed places');
  return [...new Set(found)].slice(0, MOST_SLIPS);
}

function sentence(written: number, stated: number, unit: string, found: readonly string[]): string {
  const off = Math.round(Math.abs(written - stated) * 100) / 100;
  const more = stated > written ? 'more' : 'less';
  const last = found.at(-1);
  const why =
    found.length > 1
      ? ` It could be that ${found.slice(0, -1).join(', that ')}, or that ${last}.`
      : last
        ? ` Likely ${last}.`
        : '';
  return `Stated ${stated}, written ${written}: ${off} ${unit} ${more}.${why}`;
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
    return sentence(written, stated, pool.unit, ['it adds the stated block totals, and one of them is off']);
  return found;
}

function check(blocks: readonly Block[], written: number, stated: number, pool: Pool, whole: boolean): string | null {
  if (blocks.some((block) => setsOf(block.items).some(({ set }) => set.kind === 'timed'))) return null;
  if (Math.abs(written - stated) < 0.02) return null;
  return sentence(written, stated, pool.unit, slips(blocks, stated, pool, whole));
}
