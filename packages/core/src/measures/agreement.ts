/**
 * Cohen's kappa of two people who answered the same yes–no questions: agreement beyond chance.
 *
 * 1 is full agreement, 0 what chance would give, under 0 worse than chance.
 *
 * @param pairs the two answers to each question
 * @returns null when chance alone would already agree fully (both always say the same one thing)
 * @throws RangeError without any question
 * @example cohensKappa([[true, true], [true, false], [false, false], [false, false]]) // 0.5
 */
export function cohensKappa(pairs: readonly (readonly [boolean, boolean])[]): number | null {
  if (pairs.length === 0) throw new RangeError('Nothing was answered by both.');
  const n = pairs.length;
  const agreed = pairs.filter(([a, b]) => a === b).length / n;
  const a = pairs.filter(([yes]) => yes).length / n;
  const b = pairs.filter(([, yes]) => yes).length / n;
  const chance = a * b + (1 - a) * (1 - b);
  return chance > 1 - 1e-12 ? null : (agreed - chance) / (1 - chance);
}
