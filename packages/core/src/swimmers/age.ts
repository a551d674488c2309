import { yearEverywhere } from '../days';

/** Below this age a swimmer is a child: consent of the guardian, and every look at the record is logged. */
export const CHILD_BELOW = 18;
/** Below this age the water has a column of its own, and there are no sets with few breaths. */
export const YOUNG_BELOW = 16;

/**
 * Whether a swimmer may still be below an age on a day, told by the birth year alone.
 *
 * Only the year is stored and the birthday may still be to come, so the swimmer counts as younger to the end of the
 * calendar year of that birthday: the error is on the careful side.
 *
 * @param age years
 * @param birthYear four digits, or null when unknown, which counts as below any age
 * @param onYear the calendar year of the day in question
 * @example mayBeBelow(12, 2014, 2026) // true
 * @example mayBeBelow(12, 2013, 2026) // false
 */
export function mayBeBelow(age: number, birthYear: number | null, onYear: number): boolean {
  return birthYear === null || onYear - birthYear <= age;
}

/**
 * The year in which ages are counted at a moment, milliseconds: it turns when the last place on Earth has turned, so that
 * nobody counts as grown up a few hours early, whatever the zone.
 *
 * @example ageYear(Date.parse('2027-01-01T11:59:00Z')) // 2026
 */
export const ageYear = (at = Date.now()): number => yearEverywhere(at);

/**
 * Whether a swimmer counts as a child: under {@link CHILD_BELOW}, or of unknown age.
 *
 * @param birthYear four digits, or null when unknown
 * @param onYear the calendar year of the day in question
 * @example isChild(2008, 2026) // true
 * @example isChild(null, 2026) // true
 */
export function isChild(birthYear: number | null, onYear: number): boolean {
  return mayBeBelow(CHILD_BELOW, birthYear, onYear);
}

/**
 * Whether somebody may be filmed: a child only with the consent of the guardian.
 *
 * @example mayBeFilmed({ child: true, clipConsent: false }) // false
 */
export const mayBeFilmed = (who: { readonly child: boolean; readonly clipConsent: boolean }): boolean =>
  !who.child || who.clipConsent;

/**
 * Whether a swimmer counts as under {@link YOUNG_BELOW}, or is of unknown age.
 *
 * @param birthYear four digits, or null when unknown
 * @param onYear the calendar year of the day in question
 * @example isYoung(2010, 2026) // true
 * @example isYoung(2009, 2026) // false
 */
export function isYoung(birthYear: number | null, onYear: number): boolean {
  return mayBeBelow(YOUNG_BELOW, birthYear, onYear);
}
