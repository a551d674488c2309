import type { Item, SessionPlan, SwimSet } from './model';

/** What a coach changes in place. */
export type SetPatch = Partial<Pick<SwimSet, 'reps' | 'lengths' | 'effort' | 'timing' | 'breathing' | 'note'>>;

/** The plan with one set changed; everything else is the same object, so screens redraw only what moved. */
export function editSet(plan: SessionPlan, setId: string, patch: SetPatch): SessionPlan {
  return mapItems(plan, (item) => (item.kind === 'swim' && item.id === setId ? { ...item, ...patch } : item));
}

/** The plan with another number of rounds. */
export function editRounds(plan: SessionPlan, roundsId: string, rounds: number): SessionPlan {
  return mapItems(plan, (item) => (item.kind === 'rounds' && item.id === roundsId ? { ...item, rounds } : item));
}

/** The plan without one set; rounds left empty go too. */
export function removeSet(plan: SessionPlan, setId: string): SessionPlan {
  return mapItems(plan, (item) => {
    if (item.kind === 'swim') return item.id === setId ? null : item;
    return item.items.length === 0 ? null : item;
  });
}

function mapItems(plan: SessionPlan, change: (item: Item) => Item | null): SessionPlan {
  const mapList = (items: readonly Item[]): readonly Item[] => {
    const next = items.flatMap((item) => {
      const inner = item.kind === 'rounds' ? withItems(item, mapList(item.items)) : item;
      return change(inner) ?? [];
    });
    return next.length === items.length && next.every((item, i) => item === items[i]) ? items : next;
  };
  return {
    ...plan,
    groups: plan.groups.map((group) => {
      const blocks = group.blocks.map((block) => withItems(block, mapList(block.items)));
      return blocks.every((block, i) => block === group.blocks[i]) ? group : { ...group, blocks };
    }),
  };
}

function withItems<T extends { readonly items: readonly Item[] }>(holder: T, items: readonly Item[]): T {
  return items === holder.items ? holder : { ...holder, items };
}
