import type { SwimDetails } from './swimDetails';

/** What kind of swim a result is: all-out on its own, a rep or length in training, or a track outside. */
export const RESULT_KINDS = ['trial', 'training', 'track'] as const;
export type ResultKind = (typeof RESULT_KINDS)[number];

/** Nothing older is kept, and nothing of a later year than the next. */
export const FIRST_RESULT_YEAR = 1980;

/**
 * Why a day cannot be that of a result, as a sentence; null when it can.
 *
 * @param thisYear the year it is now
 * @example resultYearProblem('2036-10-19', 2026) // '2036: results are from 1980 to 2027. Check the year.'
 */
export function resultYearProblem(on: string, thisYear: number): string | null {
  const year = Number(on.slice(0, 4));
  if (year >= FIRST_RESULT_YEAR && year <= thisYear + 1) return null;
  return `${year}: results are from ${FIRST_RESULT_YEAR} to ${thisYear + 1}. Check the year.`;
}

/** One result as it is stored and exchanged. */
export interface ResultLine {
  readonly swimmerId: string;
  /** ISO date. */
  readonly on: string;
  readonly distanceM: number;
  readonly timeS: number;
  /** Hand entries in one length. */
  readonly strokesPerLength: number | null;
  readonly kind: ResultKind;
  /** Left out where nothing more is known. */
  readonly details?: SwimDetails;
}
