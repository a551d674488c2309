// Two changes of the same thing put together, with what it was before both.

/** The three states of something: before both changes, as changed here, as changed elsewhere. */
export interface Three<T> {
  readonly base: T;
  readonly mine: T;
  readonly theirs: T;
}

/** Notes what was changed differently on both sides; what was done here counts there. */
export type OnClash = (what: string) => void;

/** Whether two values say the same, in whatever order their fields stand. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((x, i) => same(x, b[i]));
  const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(left), ...Object.keys(right)]);
  return [...keys].every((key) => same(left[key], right[key]));
}

/** The changed one of two values; this side's when both were changed differently. */
export function pick<T>({ base, mine, theirs }: Three<T>, onClash: () => void): T {
  if (same(mine, base)) return theirs;
  if (!same(theirs, base) && !same(mine, theirs)) onClash();
  return mine;
}

/** An object field by field; a field that a side does not have was taken out there. */
export function pickFields<T extends object>({ base, mine, theirs }: Three<T>, onClash: () => void): T {
  const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]) as Set<keyof T & string>;
  const picked = [...keys].map((key) => {
    const value = pick({ base: base[key], mine: mine[key], theirs: theirs[key] }, onClash);
    return [key, value] as const;
  });
  return Object.fromEntries(picked.filter(([, value]) => value !== undefined)) as T;
}

/** A list in which order means nothing, like ids: what either side added is in it, what either took out is not. */
export function pickSet<T>({ base, mine, theirs }: Three<readonly T[]>): readonly T[] {
  const [before, here, there] = [new Set(base), new Set(mine), new Set(theirs)];
  return [...new Set([...theirs, ...mine])].filter((one) => (before.has(one) ? here.has(one) && there.has(one) : true));
}

/**
 * The order of some ids: the side that put them into another order says it; what only the other has stands behind what it
 * stood behind there.
 */
export function pickOrder({ base, mine, theirs }: Three<readonly string[]>, kept: ReadonlySet<string>): string[] {
  const common = (list: readonly string[], other: readonly string[]) => list.filter((id) => other.includes(id));
  const moved = !same(common(mine, base), common(base, mine));
  const [first, second] = moved ? [mine, theirs] : [theirs, mine];
  const order = first.filter((id) => kept.has(id));
  second.forEach((id, i) => {
    if (!kept.has(id) || order.includes(id)) return;
    const before = second.slice(0, i).findLast((other) => order.includes(other));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return order;
}

interface Named {
  readonly id: string;
}

/**
 * A list of things with ids. What one side took out is gone, unless the other changed it: then it stays, and is told.
 *
 * @param merge puts one thing together that both sides have
 * @param nameOf what it is called when it is told
 */
export function pickList<T extends Named>(
  { base, mine, theirs }: Three<readonly T[]>,
  merge: (three: Three<T>) => T,
  nameOf: (one: T) => string,
  onClash: OnClash,
): readonly T[] {
  const [before, here, there] = [byId(base), byId(mine), byId(theirs)];
  const kept = new Map<string, T>();
  for (const id of new Set([...there.keys(), ...here.keys()])) {
    const [was, a, b] = [before.get(id), here.get(id), there.get(id)];
    if (a && b) kept.set(id, merge({ base: was ?? b, mine: a, theirs: b }));
    else {
      const one = (a ?? b)!;
      if (was && same(one, was)) continue;
      if (was) onClash(nameOf(one));
      kept.set(id, one);
    }
  }
  const ids = (list: readonly T[]) => list.map(({ id }) => id);
  return pickOrder({ base: ids(base), mine: ids(mine), theirs: ids(theirs) }, new Set(kept.keys())).map((id) =>
    kept.get(id)!,
  );
}

const byId = <T extends Named>(list: readonly T[]) => new Map(list.map((one) => [one.id, one]));
