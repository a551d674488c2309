import type { Dose } from './types';

/**
 * A dose in words, with the tries chosen for a swimmer.
 *
 * @example doseWord({ kind: 'distance', tries: 4, metres: 25, mostM: 50 }, 6) // '6 × 25 m'
 */
export function doseWord(dose: Dose, tries = dose.tries): string {
  if (dose.kind === 'distance') return `${tries} × ${dose.metres} m`;
  return dose.kind === 'seconds' ? `${tries} × ${dose.seconds} s at most` : `${tries} times`;
}

/** What one try is, for the number of tries beside it. @example tryWord(dose) // 'tries of 25 m' */
export function tryWord(dose: Dose): string {
  if (dose.kind === 'distance') return `tries of ${dose.metres} m`;
  return dose.kind === 'seconds' ? `tries of ${dose.seconds} s at most` : 'tries';
}
