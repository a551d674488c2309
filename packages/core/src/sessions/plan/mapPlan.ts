// Walks through a plan and changes what is asked; what stays the same stays the same object.
import type { Block, Item, SessionPlan } from './model';

/** The plan with every item changed, the innermost first; null takes one out. */
export function mapItems(plan: SessionPlan, change: (item: Item) => Item | null): SessionPlan {
  const mapList = (items: readonly Item[]): readonly Item[] => {
    const next = items.flatMap((item) => {
      const inner = item.kind === 'rounds' ? withItems(item, mapList(item.items)) : item;
      return change(inner) ?? [];
    });
    return next.length === items.length && next.every((item, i) => item === items[i]) ? items : next;
  };
  return mapBlocks(plan, (block) => withItems(block, mapList(block.items)));
}

/** The plan with every block changed; null takes one out. */
export function mapBlocks(plan: SessionPlan, change: (block: Block) => Block | null): SessionPlan {
  return {
    ...plan,
    groups: plan.groups.map((group) => {
      const blocks = group.blocks.flatMap((block) => change(block) ?? []);
      const same = blocks.length === group.blocks.length && blocks.every((block, i) => block === group.blocks[i]);
      return same ? group : { ...group, blocks };
    }),
  };
}

function withItems<T extends { readonly items: readonly Item[] }>(holder: T, items: readonly Item[]): T {
  return items === holder.items ? holder : { ...holder, items };
}
