import { mayBeBelow, YOUNG_BELOW } from '../swimmers';

/** The farthest in open water below an age, metres: defaults that err low; the event's and the club's rules win. */
export const FARTHEST_BELOW: readonly { readonly age: number; readonly metres: number }[] = [
  { age: 12, metres: 1000 },
  { age: 14, metres: 3000 },
  { age: 16, metres: 5000 },
  { age: 18, metres: 10_000 },
];

/** What a distance is too far for. */
export interface TooFar {
  /** Under so many years. */
  readonly age: number;
  /** The farthest at that age, metres. */
  readonly metres: number;
  /** False where the birth year is not known. */
  readonly known: boolean;
}

/**
 * Why a distance in open water is too far for a swimmer's age, or null when it is not. An unknown age counts as under
 * sixteen.
 *
 * @param distanceM metres in open water
 * @param birthYear four digits, or null when unknown
 * @param onYear the calendar year of the swim
 * @example tooFarForAge(10_000, 2018, 2026) // { age: 12, metres: 1000, known: true }
 * @example tooFarForAge(1000, 2018, 2026) // null
 */
export function tooFarForAge(distanceM: number, birthYear: number | null, onYear: number): TooFar | null {
  const limit = limitFor(birthYear, onYear);
  if (!limit || distanceM <= limit.metres) return null;
  return { ...limit, known: birthYear !== null };
}

/** The farthest in open water for a swimmer's age, metres; null for grown-ups. @example farthestForAge(2018, 2026) // 1000 */
export const farthestForAge = (birthYear: number | null, onYear: number): number | null =>
  limitFor(birthYear, onYear)?.metres ?? null;

const limitFor = (birthYear: number | null, onYear: number) =>
  FARTHEST_BELOW.find(({ age }) => (birthYear === null ? age === YOUNG_BELOW : mayBeBelow(age, birthYear, onYear)));

/**
 * The same as a sentence.
 *
 * @example tooFarWords({ age: 12, metres: 1000, known: true }) // 'Under 12 not beyond 1 km in open water. Choose a shorter race, …'
 */
export function tooFarWords({ age, metres, known }: TooFar): string {
  const why = known ? 'Under' : `The birth year is not known, which counts as under ${age}: under`;
  return `${why} ${age} not beyond ${metres / 1000} km in open water. Choose a shorter race, or talk to the organiser, the guardian and the head coach: the rules of the event come first.`;
}
