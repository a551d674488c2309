// A plan that two coaches changed at the same time.
import { describeSet, pauseWord } from '../plan/describe';
import { blockWord } from '../plan/model';
import type { Block, GroupPlan, Item, SessionPlan } from '../plan/model';
import { isRounds, isSet } from '../plan/setMeasure';
import { pick, pickFields, pickList, pickOrder, same, type Three } from './threeWays';

export interface MergedPlan {
  readonly plan: SessionPlan;
  /** What was changed differently on both sides, in words; the plan has it as it was changed here. */
  readonly clashes: readonly string[];
}

/**
 * Puts two changes of one plan together: whatever only one side changed counts; where both changed the same thing
 * differently this side counts, and it is named. Nothing that either side put in is lost, and a set that both moved is
 * there once.
 *
 * @param base the plan before both changes
 * @example mergePlans({ base, mine: editSet(base, 'a', { reps: 6 }), theirs: moveItem(base, 'b', …) }).clashes // []
 */
export function mergePlans({ base, mine, theirs }: Three<SessionPlan>): MergedPlan {
  const clashes = new Set<string>();
  const told = (what: string) => void clashes.add(what);
  const { groups: baseGroups, ...baseFacts } = base;
  const { groups: mineGroups, ...mineFacts } = mine;
  const { groups: theirGroups, ...theirFacts } = theirs;
  const facts = pickFields({ base: baseFacts, mine: mineFacts, theirs: theirFacts }, () => told('the whole session'));
  const levels = pickList(
    { base: baseGroups, mine: mineGroups, theirs: theirGroups },
    (three) => mergeGroup(three, told),
    ({ name }) => name,
    told,
  );
  const forest = new Forest(
    { base, mine, theirs },
    new Set(levels.flatMap(({ blocks }) => blocks.map(({ id }) => id))),
    told,
  );
  const groups = levels.map((group) => ({
    ...group,
    blocks: group.blocks.map((block) => ({ ...block, items: forest.under(block.id) })),
  }));
  const plan: SessionPlan = { ...facts, groups };
  return forest.holdsAll(plan) ? { plan, clashes: [...clashes] } : { plan: mine, clashes: ['where the sets stand'] };
}

/** A level with its blocks; what stands in them comes from the {@link Forest}. */
function mergeGroup({ base, mine, theirs }: Three<GroupPlan>, told: (what: string) => void): GroupPlan {
  const facts = ({ blocks: _, ...rest }: GroupPlan): Omit<GroupPlan, 'blocks'> => rest;
  const merged = pickFields({ base: facts(base), mine: facts(mine), theirs: facts(theirs) }, () => told(mine.name));
  const blocks = pickList(
    { base: base.blocks, mine: mine.blocks, theirs: theirs.blocks },
    (three): Block => {
      const alone = ({ items: _, ...rest }: Block): Omit<Block, 'items'> => rest;
      const block = pickFields({ base: alone(three.base), mine: alone(three.mine), theirs: alone(three.theirs) }, () =>
        told(`${mine.name}, ${blockWord(three.mine)}`),
      );
      return { ...block, items: three.mine.items };
    },
    (block) => `${mine.name}, ${blockWord(block)}`,
    told,
  );
  return { ...merged, blocks };
}

/** An item with the block or rounds that it stands in, and without what stands in it. */
interface Node {
  readonly item: Item;
  readonly holder: string;
  readonly block: string;
}

type Nodes = ReadonlyMap<string, Node>;

/** All items of the three plans, each where it stands in the end: a move from block to block is no loss and no double. */
class Forest {
  private readonly nodes = new Map<string, Node>();
  private readonly sides: Three<{ readonly nodes: Nodes; readonly children: ReadonlyMap<string, readonly string[]> }>;

  /** @param kept blocks that are there in the end */
  constructor({ base, mine, theirs }: Three<SessionPlan>, kept: ReadonlySet<string>, told: (what: string) => void) {
    this.sides = { base: taken(base), mine: taken(mine), theirs: taken(theirs) };
    const [before, here, there] = [this.sides.base.nodes, this.sides.mine.nodes, this.sides.theirs.nodes];
    for (const id of new Set([...there.keys(), ...here.keys()])) {
      const [was, a, b] = [before.get(id), here.get(id), there.get(id)];
      if (a && b) {
        this.nodes.set(
          id,
          bothHave({ base: was ?? b, mine: a, theirs: b }, () => told(nameOf(a.item, mine))),
        );
        continue;
      }
      const one = (a ?? b)!;
      if (was && same(one, was)) {
        // Taken out by one side and as it was on the other; but what went with a block that stays, stays too.
        const without = this.sides[a ? 'theirs' : 'mine'].children;
        if (without.has(was.block) || !kept.has(was.block)) continue;
      } else if (was) told(nameOf(one.item, mine));
      this.nodes.set(id, one);
    }
  }

  /** What stands in a block or rounds, in its order. */
  under(holder: string, around: readonly string[] = []): readonly Item[] {
    const kept = new Set([...this.nodes].filter(([, node]) => node.holder === holder).map(([id]) => id));
    const order = (side: keyof Three<unknown>) => this.sides[side].children.get(holder) ?? [];
    const ids = pickOrder({ base: order('base'), mine: order('mine'), theirs: order('theirs') }, kept);
    return ids.flatMap((id): Item[] => {
      const { item } = this.nodes.get(id)!;
      if (!isRounds(item)) return [item];
      if (around.includes(id)) return [];
      const items = this.under(id, [...around, id]);
      // Rounds that were emptied from both sides go, as they do when one coach empties them.
      return items.length > 0 ? [{ ...item, items }] : [];
    });
  }

  /** Whether every item found a place: two rounds put into each other from two sides have none, nor what lost its holder. */
  holdsAll(plan: SessionPlan): boolean {
    const placed = taken(plan).nodes;
    return [...this.nodes].every(([id, { item }]) => placed.has(id) || isRounds(item));
  }
}

function bothHave({ base, mine, theirs }: Three<Node>, onClash: () => void): Node {
  const items = { base: base.item, mine: mine.item, theirs: theirs.item };
  const alike = items.mine.kind === items.theirs.kind && items.base.kind === items.mine.kind;
  const place = ({ holder, block }: Node) => ({ holder, block });
  return {
    item: alike ? pickFields(items, onClash) : pick(items, onClash),
    ...pick({ base: place(base), mine: place(mine), theirs: place(theirs) }, onClash),
  };
}

function taken(plan: SessionPlan) {
  const nodes = new Map<string, Node>();
  const children = new Map<string, readonly string[]>();
  const walk = (items: readonly Item[], holder: string, block: string): void => {
    children.set(
      holder,
      items.map(({ id }) => id),
    );
    for (const item of items) {
      nodes.set(item.id, { item: isRounds(item) ? { ...item, items: [] } : item, holder, block });
      if (isRounds(item)) walk(item.items, item.id, block);
    }
  };
  for (const { id, items } of plan.groups.flatMap(({ blocks }) => blocks)) walk(items, id, id);
  return { nodes, children };
}

function nameOf(item: Item, { pool, place }: SessionPlan): string {
  if (item.kind === 'pause') return pauseWord(item);
  return isSet(item) ? describeSet(item, pool, place) : `${item.rounds} times through`;
}
