// What was planned beside what was done.
import { groupClock } from './clock';
import { BLOCK_KINDS, type BlockKind, type GroupPlan, type SessionPlan } from './model';
import { groupTotals } from './totals';

export interface BlockDifference {
  readonly block: BlockKind;
  readonly plannedM: number;
  readonly doneM: number;
}

export interface GroupDifference {
  readonly group: string;
  readonly plannedM: number;
  readonly doneM: number;
  readonly plannedS: number;
  readonly doneS: number;
  readonly plannedLoad: number;
  readonly doneLoad: number;
  /** Blocks that differ. */
  readonly blocks: readonly BlockDifference[];
}

/** What was swum beside what was planned, group by group; a group that is missing on a side counts as nothing. */
export function comparePlans(planned: SessionPlan, done: SessionPlan): GroupDifference[] {
  const ids = [...new Set([...planned.groups, ...done.groups].map((g) => g.id))];
  return ids.map((id) => {
    const a = measure(planned, id);
    const b = measure(done, id);
    const blocks = BLOCK_KINDS.flatMap((block): BlockDifference[] => {
      const plannedM = a.byBlock[block] ?? 0;
      const doneM = b.byBlock[block] ?? 0;
      return Math.abs(plannedM - doneM) < 0.5 ? [] : [{ block, plannedM, doneM }];
    });
    return {
      group: a.name || b.name,
      plannedM: a.metres,
      doneM: b.metres,
      plannedS: a.seconds,
      doneS: b.seconds,
      plannedLoad: a.load,
      doneLoad: b.load,
      blocks,
    };
  });
}

function measure(plan: SessionPlan, id: string) {
  const group: GroupPlan | undefined = plan.groups.find((g) => g.id === id);
  if (!group) return { name: '', metres: 0, seconds: 0, load: 0, byBlock: {} as Partial<Record<BlockKind, number>> };
  const { metres, load, metresByBlock } = groupTotals(group, plan.pool);
  return { name: group.name, metres, load, seconds: groupClock(group, plan.pool).totalS, byBlock: metresByBlock };
}
