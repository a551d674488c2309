// Several sets of a session changed at once: moved, repeated, scaled, taken away.
import { addItem, holds, moveItem, removeItem, whereIs, wrapInRounds, type Target } from './edit';
import { mapItems } from './mapPlan';
import type { AnySet, Item, SessionPlan } from './model';
import { isRounds, isSet } from './setMeasure';

const itemsOf = (items: readonly Item[]): Item[] =>
  items.flatMap((item) => (isRounds(item) ? [item, ...itemsOf(item.items)] : [item]));

/** The chosen items in the order they are swum; what lies in chosen rounds comes with them. */
export function chosenItems(plan: SessionPlan, ids: ReadonlySet<string>): readonly Item[] {
  const all = plan.groups.flatMap((g) => g.blocks.flatMap((b) => itemsOf(b.items))).filter(({ id }) => ids.has(id));
  return all.filter((item) => !all.some((other) => other !== item && holds(other, item.id)));
}

/**
 * The plan with some items moved behind one another to a place, in the order they are swum.
 *
 * @param to a block or rounds; its end when no index is given. Rounds never go into themselves.
 */
export function moveItems(plan: SessionPlan, ids: ReadonlySet<string>, to: Omit<Target, 'index'>): SessionPlan {
  return chosenItems(plan, ids).reduce(
    (now, { id }) => moveItem(now, id, { ...to, index: Number.MAX_SAFE_INTEGER }),
    plan,
  );
}

/** A copy of an item with ids of its own. */
export function copyOf<T extends Item>(item: T, newId: () => string): T {
  if (!isRounds(item)) return { ...item, id: newId() };
  return { ...item, id: newId(), items: item.items.map((inner) => copyOf(inner, newId)) };
}

/** The plan with copies of some items behind the last of them in each place, in their order. */
export function duplicateItems(plan: SessionPlan, ids: ReadonlySet<string>, newId: () => string): SessionPlan {
  const byHolder = new Map<string, Item[]>();
  for (const item of chosenItems(plan, ids)) {
    const { holderId } = whereIs(plan, item.id)!;
    byHolder.set(holderId, [...(byHolder.get(holderId) ?? []), item]);
  }
  return [...byHolder].reduce((now, [holderId, items]) => {
    const behind = whereIs(now, items.at(-1)!.id)!.index + 1;
    return items.reduce((then, item, i) => addItem(then, copyOf(item, newId), { holderId, index: behind + i }), now);
  }, plan);
}

/** The plan without some items. */
export const removeItems = (plan: SessionPlan, ids: ReadonlySet<string>): SessionPlan =>
  chosenItems(plan, ids).reduce((now, { id }) => removeItem(now, id), plan);

/** Most reps and lengths that a set can have. */
const MOST_REPS_OF_SET = 200;
const MOST_LENGTHS = 800;

/**
 * A set made longer or shorter: in reps where that comes close, else in the distance of a rep, which then ends at the
 * home wall. Drills keep the distance of their card, and a set in minutes its half-minutes.
 *
 * @param factor 0.5 for half, 2 for twice
 * @example scaledSet({ …, reps: 8, lengths: 2 }, 0.75) // 6 × the same
 * @example scaledSet({ …, reps: 1, lengths: 16 }, 0.75) // 1 × 12 lengths
 */
export function scaledSet(set: AnySet, factor: number): AnySet {
  const least = set.kind === 'descend' ? 2 : 1;
  const reps = Math.min(MOST_REPS_OF_SET, Math.max(least, Math.round(set.reps * factor)));
  const wanted = set.reps * factor;
  if (set.kind === 'timed') {
    const seconds = Math.min(7200, Math.max(30, Math.round((set.seconds * factor) / 30) * 30));
    const off = [Math.abs(reps - wanted), (set.reps * Math.abs(seconds - set.seconds * factor)) / set.seconds] as const;
    return set.drill || off[0] <= off[1] ? { ...set, reps } : { ...set, seconds };
  }
  if (set.drill) return { ...set, reps };
  // Two lengths at a time where it ended at the home wall before.
  const step = set.lengths % 2 === 0 ? 2 : set.lengths < 1 ? 0.5 : 1;
  const lengths = Math.min(MOST_LENGTHS, Math.max(step, Math.round((set.lengths * factor) / step) * step));
  const offReps = Math.abs(reps - wanted) * set.lengths;
  const offLengths = Math.abs(lengths - set.lengths * factor) * set.reps;
  return offReps <= offLengths ? { ...set, reps } : { ...set, lengths };
}

/** The plan with some items scaled; rounds and pauses keep their number, the sets in chosen rounds change. */
export function scaleItems(plan: SessionPlan, ids: ReadonlySet<string>, factor: number): SessionPlan {
  const chosen = chosenItems(plan, ids);
  const scaled = new Set(chosen.flatMap((item) => itemsOf([item])).map(({ id }) => id));
  return mapItems(plan, (item) => (scaled.has(item.id) && isSet(item) ? scaledSet(item, factor) : item));
}

/**
 * The plan with some items swum twice through, where the first of them stands. Nothing changes when there is none.
 *
 * @param roundsId id of the new rounds
 */
export function roundsAround(plan: SessionPlan, ids: ReadonlySet<string>, roundsId: string): SessionPlan {
  const [first, ...others] = chosenItems(plan, ids);
  if (!first) return plan;
  return moveItems(wrapInRounds(plan, first.id, roundsId), new Set(others.map(({ id }) => id)), { holderId: roundsId });
}
