import { patternProblem } from './breathPattern';
import { fittingLook, lookProblem } from './looks';

import { mapBlocks, mapItems } from './mapPlan';
import type { AnySet, Block, GroupPlan, Item, Rounds, SessionPlan, SwimSet } from './model';
import { setForLevel } from './parts';
import { isRounds, isSet } from './setMeasure';

/** What a coach changes in place. */
export type SetPatch = Partial<Omit<SwimSet, 'kind' | 'id'>> & {
  readonly secondEffort?: number;
  readonly lastEffort?: number;
  readonly seconds?: number;
};

/** The plan with one set changed; everything else is the same object, so screens redraw only what moved. */
export function editSet(plan: SessionPlan, setId: string, patch: SetPatch): SessionPlan {
  return mapItems(plan, (item) => (isSet(item) && item.id === setId ? changed(item, patch) : item));
}

/** Another stroke takes its own way to breathe with it, and another way to breathe the looks that fit it. */
function changed(set: AnySet, patch: SetPatch): AnySet {
  const now = { ...set, ...patch } as AnySet;
  const fits = patch.breathing !== undefined || patternProblem(now.stroke, now.breathing) === null;
  const breathed: AnySet = fits ? now : { ...now, breathing: { kind: 'free' } };
  const { sighting, breathing } = breathed;
  if (!sighting || patch.sighting !== undefined || lookProblem(breathing, sighting) === null) return breathed;
  return { ...breathed, sighting: { ...sighting, every: fittingLook(breathing, sighting.every) } };
}

/** The plan with one set put in the place of another. */
export function replaceSet(plan: SessionPlan, setId: string, set: AnySet): SessionPlan {
  return mapItems(plan, (item) => (item.id === setId ? set : item));
}

/** The plan with another number of rounds. */
export function editRounds(plan: SessionPlan, roundsId: string, rounds: number): SessionPlan {
  return mapItems(plan, (item) => (item.kind === 'rounds' && item.id === roundsId ? { ...item, rounds } : item));
}

/** The plan with a pause of another length. */
export function editPause(plan: SessionPlan, pauseId: string, seconds: number): SessionPlan {
  return mapItems(plan, (item) => (item.kind === 'pause' && item.id === pauseId ? { ...item, seconds } : item));
}

/** The plan with a group's own facts changed, like its pace or its breath record. */
export function editGroup(plan: SessionPlan, groupId: string, patch: Partial<GroupPlan>): SessionPlan {
  return { ...plan, groups: plan.groups.map((g) => (g.id === groupId ? { ...g, ...patch } : g)) };
}

/** The plan with a block's own facts changed; an empty name leaves that of its kind. */
export function editBlock(
  plan: SessionPlan,
  blockId: string,
  patch: Partial<Pick<Block, 'name' | 'note' | 'landMinutes'>>,
): SessionPlan {
  return mapBlocks(plan, (block) => {
    if (block.id !== blockId) return block;
    const { name, ...changed } = { ...block, ...patch };
    return name ? { ...changed, name } : changed;
  });
}

/** The plan without one set or one whole rounds; rounds left empty go too. */
export function removeItem(plan: SessionPlan, itemId: string): SessionPlan {
  return mapItems(plan, (item) => {
    if (item.id === itemId) return null;
    return !isRounds(item) || item.items.length > 0 ? item : null;
  });
}

/** Where an item is put: the id of a block or of rounds, and the place in it. */
export interface Target {
  readonly holderId: string;
  readonly index: number;
}

/** The plan with a new item put in. */
export function addItem(plan: SessionPlan, item: Item, target: Target): SessionPlan {
  const put = (items: readonly Item[]) => [...items.slice(0, target.index), item, ...items.slice(target.index)];
  const into = mapItems(plan, (holder) =>
    holder.kind === 'rounds' && holder.id === target.holderId ? { ...holder, items: put(holder.items) } : holder,
  );
  return mapBlocks(into, (block) => (block.id === target.holderId ? { ...block, items: put(block.items) } : block));
}

/**
 * The plan with one item moved; `index` counts with the item still in its old place.
 *
 * Moving rounds into themselves, or anything to a place that is not there, changes nothing.
 */
export function moveItem(plan: SessionPlan, itemId: string, target: Target): SessionPlan {
  const from = whereIs(plan, itemId);
  const item = from && itemAt(plan, from);
  if (!from || !item) return plan;
  if (isRounds(item) && (item.id === target.holderId || whereIsIn([item], target.holderId))) return plan;
  if (!holderOf(plan, target.holderId)) return plan;
  const index = from.holderId === target.holderId && target.index > from.index ? target.index - 1 : target.index;
  if (from.holderId === target.holderId && index === from.index) return plan;
  // Taken out by hand, so that rounds left empty keep their place until the item has landed.
  const without = takeOut(plan, itemId);
  return dropEmptyRounds(addItem(without, item, { holderId: target.holderId, index }));
}

/** Where an item stands now, or null. */
export function whereIs(plan: SessionPlan, itemId: string): Target | null {
  for (const block of plan.groups.flatMap((g) => g.blocks)) {
    const index = block.items.findIndex((i) => i.id === itemId);
    if (index >= 0) return { holderId: block.id, index };
    const inner = whereIsIn(block.items, itemId);
    if (inner) return inner;
  }
  return null;
}

function whereIsIn(items: readonly Item[], itemId: string): Target | null {
  for (const item of items) {
    if (!isRounds(item)) continue;
    const index = item.items.findIndex((i) => i.id === itemId);
    if (index >= 0) return { holderId: item.id, index };
    const inner = whereIsIn(item.items, itemId);
    if (inner) return inner;
  }
  return null;
}

function holderOf(plan: SessionPlan, holderId: string): { readonly items: readonly Item[] } | null {
  const inItems = (items: readonly Item[]): Rounds | null => {
    for (const item of items) {
      if (!isRounds(item)) continue;
      if (item.id === holderId) return item;
      const inner = inItems(item.items);
      if (inner) return inner;
    }
    return null;
  };
  for (const block of plan.groups.flatMap((g) => g.blocks)) {
    if (block.id === holderId) return block;
    const inner = inItems(block.items);
    if (inner) return inner;
  }
  return null;
}

const itemAt = (plan: SessionPlan, { holderId, index }: Target): Item | undefined =>
  holderOf(plan, holderId)?.items[index];

/** The plan with one item wrapped in rounds of two. */
export function wrapInRounds(plan: SessionPlan, itemId: string, roundsId: string): SessionPlan {
  const item = whereIs(plan, itemId);
  const found = item && itemAt(plan, item);
  if (!item || !found) return plan;
  const rounds: Rounds = { kind: 'rounds', id: roundsId, rounds: 2, items: [found] };
  return addItem(takeOut(plan, itemId), rounds, item);
}

/** Effort of the last rep with which a set that descends begins. */
const STRONG = 0.9;

/** A set as another kind of set, keeping what both can say. */
export function asKind(set: AnySet, kind: AnySet['kind'], v400: { readonly repS: number }): AnySet {
  const lengths = set.kind === 'timed' ? 2 : set.lengths;
  const { id, reps, stroke, drill, effort, breathing, sighting, strokeRateSpm, timing, kit, note } = set;
  const fields = { id, reps, stroke, drill, effort, breathing, sighting, strokeRateSpm, timing, kit, note };
  if (kind === 'swim') return { kind, ...fields, lengths };
  if (kind === 'halves') return { kind, ...fields, drill: null, lengths, secondEffort: 1 };
  if (kind === 'descend')
    return { kind, ...fields, drill: null, reps: Math.max(3, reps), lengths, lastEffort: Math.max(effort, STRONG) };
  return { kind, ...fields, seconds: Math.max(30, Math.round(v400.repS / 30) * 30) };
}

/**
 * The plan with a set copied to the same block of every other level, its reps scaled so that it takes
 * about the same time there. A drill above a level, or a pattern blocked there, is left to the coach:
 * such a level is named in `leftOut`.
 *
 * @param newId makes the id of a copy
 */
export function copyToLevels(
  plan: SessionPlan,
  setId: string,
  newId: (groupId: string) => string,
): { readonly plan: SessionPlan; readonly leftOut: readonly string[] } {
  const source = plan.groups.find((g) => g.blocks.some((b) => b.items.some((i) => holds(i, setId))));
  const block = source?.blocks.find((b) => b.items.some((i) => holds(i, setId)));
  const set = source && block && findSet(block.items, setId);
  if (!source || !block || !set) return { plan, leftOut: [] };
  const at = block.items.findIndex((i) => holds(i, setId));
  const leftOut: string[] = [];
  const groups = plan.groups.map((group) => {
    const home = group.blocks.find((b) => b.kind === block.kind);
    if (group === source || !home) return group;
    const there = setForLevel(set, source, group, plan);
    if (!there) {
      leftOut.push(group.name);
      return group;
    }
    const copy: AnySet = { ...there, id: newId(group.id) };
    const items = [...home.items.slice(0, at + 1), copy, ...home.items.slice(at + 1)];
    return { ...group, blocks: group.blocks.map((b) => (b === home ? { ...b, items } : b)) };
  });
  return { plan: { ...plan, groups }, leftOut };
}

/** Whether an item is the one with an id, or holds it. */
export const holds = (item: Item, id: string): boolean =>
  item.id === id || (isRounds(item) && item.items.some((i) => holds(i, id)));

/** The set with an id among some items, or undefined. */
export function findSet(items: readonly Item[], id: string): AnySet | undefined {
  for (const item of items) {
    if (isSet(item)) {
      if (item.id === id) return item;
      continue;
    }
    if (!isRounds(item)) continue;
    const inner = findSet(item.items, id);
    if (inner) return inner;
  }
  return undefined;
}

const takeOut = (plan: SessionPlan, itemId: string): SessionPlan =>
  mapItems(plan, (item) => (item.id === itemId ? null : item));

const dropEmptyRounds = (plan: SessionPlan): SessionPlan =>
  mapItems(plan, (item) => (!isRounds(item) || item.items.length > 0 ? item : null));
