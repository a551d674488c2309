/** Swimmers one lane holds by default: 8 in short pools, 12 in 50 m pools. */
export function laneCapacity(poolM: number): number {
  return poolM > 40 ? 12 : 8;
}

export interface LaneAssignment<T> {
  readonly lanes: readonly (readonly T[])[];
  /** Swimmers more than the lanes hold by the club's rule. */
  readonly over: number;
}

/**
 * Swimmers in lanes by pace: the fastest in the first lane, lanes as even in pace as can be, no lane
 * over its capacity. With too many swimmers the lanes are filled evenly and `over` says by how many.
 *
 * Solved exactly: of all ways to cut the sorted list the one with the least sum of squared pace
 * differences inside the lanes.
 */
export function assignLanes<T extends { readonly speedMps: number }>(
  swimmers: readonly T[],
  lanes: number,
  capacity: number,
): LaneAssignment<T> {
  const sorted = [...swimmers].sort((a, b) => b.speedMps - a.speedMps);
  const n = sorted.length;
  const used = Math.min(lanes, Math.max(1, n));
  const over = Math.max(0, n - lanes * capacity);
  const most = over > 0 ? Math.ceil(n / used) : capacity;
  const cost = (from: number, to: number) => (sorted[from]!.speedMps - sorted[to - 1]!.speedMps) ** 2;
  // best[k][i]: cheapest way to put the first i swimmers into k lanes, and where the last lane begins.
  const best = Array.from({ length: used + 1 }, () =>
    Array.from({ length: n + 1 }, () => ({ cost: Infinity, from: 0 })),
  );
  best[0]![0] = { cost: 0, from: 0 };
  for (let k = 1; k <= used; k++) {
    for (let i = 1; i <= n; i++) {
      for (let from = Math.max(0, i - most); from < i; from++) {
        const total = best[k - 1]![from]!.cost + cost(from, i);
        if (total < best[k]![i]!.cost) best[k]![i] = { cost: total, from };
      }
    }
  }
  const out: T[][] = [];
  for (let k = used, i = n; k > 0 && i > 0; k--) {
    const { from } = best[k]![i]!;
    out.unshift(sorted.slice(from, i));
    i = from;
  }
  return { lanes: out, over };
}
