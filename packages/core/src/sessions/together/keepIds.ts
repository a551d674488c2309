// A plan that was read from a text, with the ids of what it was before.
import type { Block, GroupPlan, Item, SessionPlan } from '../plan/model';
import { isRounds } from '../plan/setMeasure';
import { same } from './threeWays';

/**
 * A plan as it was read from a text, with the ids that its levels, blocks and sets had in the plan before: what says the
 * same keeps its id, then what stands in the same place; everything else is new. So a change in a text is known for what
 * it is when it is put together with somebody else's.
 *
 * @param newId makes the id of what is new
 */
export function keepIds(before: SessionPlan, after: SessionPlan, newId: () => string): SessionPlan {
  const groups = matched(before.groups, after.groups, [
    (a, b) => a.name === b.name,
    (a, b) => a.level === b.level,
    always,
  ]);
  return {
    ...after,
    groups: after.groups.map((group, i) => groupLike(groups[i], group, newId)),
  };
}

function groupLike(before: GroupPlan | undefined, after: GroupPlan, newId: () => string): GroupPlan {
  const blocks = matched(before?.blocks ?? [], after.blocks, [
    (a, b) => a.kind === b.kind && a.name === b.name,
    (a, b) => a.kind === b.kind,
  ]);
  return {
    ...after,
    id: before?.id ?? newId(),
    blocks: after.blocks.map((block, i): Block => ({
      ...block,
      id: blocks[i]?.id ?? newId(),
      items: itemsLike(blocks[i]?.items ?? [], block.items, newId),
    })),
  };
}

function itemsLike(before: readonly Item[], after: readonly Item[], newId: () => string): Item[] {
  const was = matched(before, after, [(a, b) => same(bare(a), bare(b)), (a, b) => a.kind === b.kind]);
  return after.map((item, i): Item => {
    const one = was[i];
    const id = one?.id ?? newId();
    if (!isRounds(item)) return { ...item, id };
    return { ...item, id, items: itemsLike(one && isRounds(one) ? one.items : [], item.items, newId) };
  });
}

/** An item without ids: what it says. */
function bare(item: Item): unknown {
  const { id: _, ...rest } = item;
  return isRounds(item) ? { ...rest, items: item.items.map(bare) } : rest;
}

const always = () => true;

/** For each of `after` the one of `before` that it is, by the first test that says so; each of `before` once, in order. */
function matched<T>(
  before: readonly T[],
  after: readonly T[],
  tests: readonly ((a: T, b: T) => boolean)[],
): (T | undefined)[] {
  const left = new Set(before);
  const found: (T | undefined)[] = after.map(() => undefined);
  for (const test of tests)
    after.forEach((b, i) => {
      if (found[i]) return;
      const a = [...left].find((one) => test(one, b));
      if (!a) return;
      left.delete(a);
      found[i] = a;
    });
  return found;
}
