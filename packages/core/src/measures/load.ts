/** Load of a metre by effort; between the points in a straight line. A club may change them. */
const EFFORT_FACTOR: readonly (readonly [effort: number, factor: number])[] = [
  [0, 1],
  [0.6, 1],
  [0.7, 1.2],
  [0.8, 1.5],
  [0.9, 2],
  [1, 3],
];

/**
 * How much a metre weighs at an effort.
 *
 * @param effort 0–1
 * @throws RangeError outside 0–1
 * @example effortFactor(0.8) // 1.5
 */
export function effortFactor(effort: number): number {
  if (!(effort >= 0 && effort <= 1)) throw new RangeError('effort must be from 0 to 1');
  for (let i = 1; i < EFFORT_FACTOR.length; i++) {
    const [e0, f0] = EFFORT_FACTOR[i - 1]!;
    const [e1, f1] = EFFORT_FACTOR[i]!;
    if (effort <= e1) return f0 + ((f1 - f0) * (effort - e0)) / (e1 - e0);
  }
  return EFFORT_FACTOR[EFFORT_FACTOR.length - 1]![1];
}

/** Load of sets: metres × effort factor. A prompt for a talk, not a verdict. */
export function trainingLoad(sets: readonly { readonly distanceM: number; readonly effort: number }[]): number {
  return sets.reduce((total, s) => total + s.distanceM * effortFactor(s.effort), 0);
}
