/** The longest breathing pattern planned without the gates for limited breathing, strokes. */
export const LONGEST_OPEN_PATTERN = 5;

/** Why a longer pattern is not offered. */
export const BREATH_LIMIT_REASON =
  'Fewer breaths than every 5 strokes can make a fit swimmer faint under water without warning. Upwell does not plan it here; breathe more often.';

/**
 * Whether a breathing pattern may be planned.
 *
 * @param every strokes between breaths
 * @example isOpenPattern(3) // true
 */
export function isOpenPattern(every: number): boolean {
  return Number.isInteger(every) && every >= 1 && every <= LONGEST_OPEN_PATTERN;
}
