import {
  moveItem,
  whereIs,
  type AnySet,
  type Block,
  type GroupPlan,
  type Item,
  type Pause,
  type Rounds,
  type SessionPlan,
  type Target,
} from '@upwell/core/sessions';

/** A column as one list: blocks, rounds and sets in the order they are swum. */
export type SheetRow =
  | { readonly kind: 'block'; readonly id: string; readonly block: Block }
  | { readonly kind: 'rounds'; readonly id: string; readonly rounds: Rounds; readonly depth: number }
  | { readonly kind: 'pause'; readonly id: string; readonly pause: Pause; readonly depth: number }
  | { readonly kind: 'set'; readonly id: string; readonly set: AnySet; readonly depth: number };

export function rowsOf(group: GroupPlan): SheetRow[] {
  const walk = (items: readonly Item[], depth: number): SheetRow[] =>
    items.flatMap((item): SheetRow[] => {
      if (item.kind === 'pause') return [{ kind: 'pause', id: item.id, pause: item, depth }];
      if (item.kind === 'rounds')
        return [{ kind: 'rounds', id: item.id, rounds: item, depth }, ...walk(item.items, depth + 1)];
      return [{ kind: 'set', id: item.id, set: item, depth }];
    });
  return group.blocks.flatMap((block): SheetRow[] => [{ kind: 'block', id: block.id, block }, ...walk(block.items, 0)]);
}

/** The plan after a row was dropped on another: into a block or rounds at its head, else beside a set. */
export function dropped(plan: SessionPlan, group: GroupPlan, id: string, over: string, after: boolean): SessionPlan {
  const rows = rowsOf(group);
  const at = rows.findIndex((row) => row.id === over);
  const target = targetOf(plan, rows, at, after);
  return target ? moveItem(plan, id, target) : plan;
}

function targetOf(plan: SessionPlan, rows: readonly SheetRow[], at: number, after: boolean): Target | null {
  const row = rows[at];
  if (!row) return null;
  // A block's head is the door to the block below it when coming from above, and to the end of the one before otherwise.
  if (row.kind === 'block') {
    if (after) return { holderId: row.id, index: 0 };
    const before = rows.slice(0, at).findLast((r) => r.kind === 'block');
    return before?.kind === 'block'
      ? { holderId: before.id, index: before.block.items.length }
      : { holderId: row.id, index: 0 };
  }
  if (row.kind === 'rounds' && after) return { holderId: row.id, index: 0 };
  const place = whereIs(plan, row.id);
  return place && { ...place, index: place.index + (after ? 1 : 0) };
}
