/** Below this age a swimmer is a child, and the record is guarded more closely. */
export const ADULT_AGE = 16;

/**
 * Whether a swimmer counts as a child on a day, told by the birth year alone.
 *
 * Only the year is stored and the birthday may still be to come, so the swimmer counts as a child
 * to the end of the calendar year of the sixteenth birthday: the error is on the careful side.
 *
 * @param birthYear four digits, or null when unknown, which counts as a child
 * @param onYear the calendar year of the day in question
 * @example isChild(2010, 2026) // true
 * @example isChild(null, 2026) // true
 */
export function isChild(birthYear: number | null, onYear: number): boolean {
  return birthYear === null || onYear - birthYear <= ADULT_AGE;
}
