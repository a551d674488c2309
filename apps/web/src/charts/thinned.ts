/** More points than this cannot be told apart on a phone, and take long to draw. */
export const MOST_POINTS = 120;

/**
 * Points for drawing: at most a given number, the first and the last among them, and of each stretch the one that
 * stands out most from the last that was kept, so that peaks stay.
 */
export function thinned<T extends { readonly value: number }>(points: readonly T[], most = MOST_POINTS): readonly T[] {
  if (points.length <= most) return points;
  const kept: T[] = [points[0]!];
  const stretches = most - 2;
  for (let i = 0; i < stretches; i++) {
    const from = 1 + Math.floor((i * (points.length - 2)) / stretches);
    const to = 1 + Math.floor(((i + 1) * (points.length - 2)) / stretches);
    const before = kept.at(-1)!.value;
    kept.push(
      points
        .slice(from, to)
        .reduce((far, p) => (Math.abs(p.value - before) > Math.abs(far.value - before) ? p : far), points[from]!),
    );
  }
  kept.push(points.at(-1)!);
  return kept;
}
