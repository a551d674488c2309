// Blocks and levels of a session: added, put elsewhere, taken away.
import { drillCard } from '../../library';
import { isAtLeast, levelCard, type LevelId } from '../../swimmers';
import { mapBlocks } from './mapPlan';
import { BLOCK_KINDS, MOST_BLOCKS, MOST_LEVELS } from './model';
import type { AnySet, Block, BlockKind, GroupPlan, Item, SessionPlan } from './model';
import { isSet, repSeconds, restSeconds } from './setMeasure';

/** Minutes of a land block that is added by hand. */
const USUAL_LAND = 6;

/** Blocks that a level begins with when it is put together by hand. */
const FIRST_BLOCKS: readonly BlockKind[] = ['land', 'warm-up', 'drills', 'main', 'swim-down'];

/** An empty block. @example newBlock('b', 'land').landMinutes // 6 */
export const newBlock = (id: string, kind: BlockKind): Block => ({
  kind,
  id,
  landMinutes: kind === 'land' ? USUAL_LAND : 0,
  items: [],
  note: '',
});

/** The plan with a block put in where its kind belongs: behind all that come before it. A full level stays as it is. */
export function addBlock(plan: SessionPlan, groupId: string, block: Block): SessionPlan {
  const order = (kind: BlockKind) => BLOCK_KINDS.indexOf(kind);
  return mapGroup(plan, groupId, (group) => {
    if (group.blocks.length >= MOST_BLOCKS) return group;
    const later = group.blocks.findIndex(({ kind }) => order(kind) > order(block.kind));
    const at = later === -1 ? group.blocks.length : later;
    return { ...group, blocks: [...group.blocks.slice(0, at), block, ...group.blocks.slice(at)] };
  });
}

/** The plan without a block and what is in it. */
export const removeBlock = (plan: SessionPlan, blockId: string): SessionPlan =>
  mapBlocks(plan, (block) => (block.id === blockId ? null : block));

/** The plan with a block one place earlier or later in its level; at the end it stays. */
export function moveBlock(plan: SessionPlan, blockId: string, by: -1 | 1): SessionPlan {
  const group = plan.groups.find(({ blocks }) => blocks.some(({ id }) => id === blockId));
  if (!group) return plan;
  const from = group.blocks.findIndex(({ id }) => id === blockId);
  const [block, other] = [group.blocks[from], group.blocks[from + by]];
  if (!block || !other) return plan;
  const blocks = group.blocks.map((b) => (b === block ? other : b === other ? block : b));
  return mapGroup(plan, group.id, () => ({ ...group, blocks }));
}

/** What is usual for a level: its pace, which is a guess, and nobody in it yet. */
export function usualFacts(level: LevelId): Omit<GroupPlan, 'id' | 'blocks'> {
  const { name, defaultV400Mps, defaultStrokeLengthM } = levelCard(level);
  return {
    level,
    model: 'long-line',
    name,
    swimmers: 0,
    lanes: 1,
    v400Mps: defaultV400Mps,
    paceIsGuess: true,
    strokeLengthM: defaultStrokeLengthM,
    paceTable: [],
    knownDrills: [],
    breathRecord: null,
    note: '',
  };
}

/**
 * A level to be filled by hand: what is usual for it, and the parts of a session without sets.
 *
 * @param newId makes the id of each block
 * @example newLevel('race', 'g4', newId).blocks.map((b) => b.kind) // land, warm-up, drills, main, swim-down
 */
export const newLevel = (level: LevelId, id: string, newId: () => string): GroupPlan => ({
  id,
  ...usualFacts(level),
  blocks: FIRST_BLOCKS.map((kind) => newBlock(newId(), kind)),
});

/** The plan with a level behind the others; six are the most. */
export const addLevel = (plan: SessionPlan, group: GroupPlan): SessionPlan =>
  plan.groups.length >= MOST_LEVELS ? plan : { ...plan, groups: [...plan.groups, group] };

/** The plan without a level; the last one stays, since a session is for somebody. */
export const removeLevel = (plan: SessionPlan, groupId: string): SessionPlan =>
  plan.groups.length < 2 ? plan : { ...plan, groups: plan.groups.filter(({ id }) => id !== groupId) };

/** A set for another level: as many reps as take about the same time there; null when its drill is above that level. */
export function setForLevel(set: AnySet, from: GroupPlan, to: GroupPlan, { pool }: SessionPlan): AnySet | null {
  if (set.drill && !isAtLeast(to.level, drillCard(set.drill).from)) return null;
  const secondsOf = (group: GroupPlan) => {
    const repS = repSeconds(set, group, pool);
    return repS + restSeconds(set, repS);
  };
  const reps = Math.round((set.reps * secondsOf(from)) / secondsOf(to));
  return { ...set, reps: Math.min(200, Math.max(set.kind === 'descend' ? 2 : 1, reps)) };
}

/**
 * A level with the sets of another, each in as many reps as take about the same time; drills above it are left out and
 * told.
 *
 * @param to the level to be filled; its own blocks are given up
 */
export function levelLike(
  plan: SessionPlan,
  from: GroupPlan,
  to: GroupPlan,
  newId: () => string,
): { readonly group: GroupPlan; readonly leftOut: readonly AnySet[] } {
  const leftOut: AnySet[] = [];
  const copied = (items: readonly Item[]): Item[] =>
    items.flatMap((item): Item[] => {
      if (item.kind === 'pause') return [{ ...item, id: newId() }];
      if (!isSet(item)) {
        const inner = copied(item.items);
        return inner.length > 0 ? [{ ...item, id: newId(), items: inner }] : [];
      }
      const set = setForLevel(item, from, to, plan);
      if (!set) leftOut.push(item);
      return set ? [{ ...set, id: newId() }] : [];
    });
  const blocks = from.blocks.map((block) => ({ ...block, id: newId(), items: copied(block.items) }));
  return { group: { ...to, blocks }, leftOut };
}

const mapGroup = (plan: SessionPlan, groupId: string, change: (group: GroupPlan) => GroupPlan): SessionPlan => ({
  ...plan,
  groups: plan.groups.map((group) => (group.id === groupId ? change(group) : group)),
});
