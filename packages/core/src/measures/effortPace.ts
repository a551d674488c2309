/** Efforts above this are sprints and do not follow the law. */
export const LAW_HOLDS_TO = 0.9;

/** Best 50 m from a push as a multiple of the 400 m speed, when unknown: a guess. */
export const SPRINT_FACTOR_50 = 1.13;

/**
 * Speed at an effort, for a swimmer with this 400 m speed.
 *
 * Power against drag grows with the cube of speed (Toussaint et al. 1988), so a share `e` of the
 * power that can be held for about 400 m gives `v400 · e^(1/3)`. From 90 % upward the speed rises
 * in a straight line to the sprint factor, a guess until a best 50 m is known.
 *
 * @param v400Mps metres a second over 400 m, > 0
 * @param effort share of the power, over 0 and up to 1
 * @returns metres a second
 * @throws RangeError when either is out of range
 * @example 100 / effortSpeed(400 / 352, 0.7) // 99.1 s per 100 m
 */
export function effortSpeed(v400Mps: number, effort: number): number {
  if (!(v400Mps > 0)) throw new RangeError('v400Mps must be over 0');
  if (!(effort > 0 && effort <= 1)) throw new RangeError('effort must be over 0 and at most 1');
  if (effort <= LAW_HOLDS_TO) return v400Mps * Math.cbrt(effort);
  const atLimit = Math.cbrt(LAW_HOLDS_TO);
  return v400Mps * (atLimit + ((SPRINT_FACTOR_50 - atLimit) * (effort - LAW_HOLDS_TO)) / (1 - LAW_HOLDS_TO));
}
