import type { Drill } from '../library';
import { type CauseId, linksOf, type SignId } from './catalogue';
import type { SignsSeen } from './evidence';
import type { Sighting } from './types';

/** Days until a focus is looked at again: two weeks of practice, sooner for a small land or wall drill. */
export function daysToRelook(drill: Drill): number {
  return drill.factor === null ? 7 : 14;
}

/** How a focus turned out at the second look. */
export const OUTCOMES = ['better', 'same', 'worse'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** How a focus ended: as its last look judged it, or solved, with nothing new asked for. */
export const FOCUS_OUTCOMES = [...OUTCOMES, 'solved'] as const;
export type FocusOutcome = (typeof FOCUS_OUTCOMES)[number];

/** Whether a focus ended as a success of its drill. */
export const helped = (outcome: FocusOutcome): boolean => outcome === 'better' || outcome === 'solved';

/** One sign of the earlier look beside what is seen now. */
export interface Compared {
  readonly sign: SignId;
  readonly before: Sighting;
  /** Undefined until the second look. */
  readonly now: Sighting | undefined;
}

const SIZE: Readonly<Record<Sighting, number>> = { absent: 0, sometimes: 1, often: 2 };

/**
 * Then and now: the signs that were seen when a focus was given, those of its cause first, and what their
 * change says of the outcome.
 *
 * @returns the outcome is null while no sign of the cause has been looked at again
 */
export function compareLooks(
  cause: CauseId,
  before: SignsSeen,
  now: SignsSeen,
): { readonly rows: readonly Compared[]; readonly outcome: FocusOutcome | null } {
  const ofCause = (sign: SignId) => sign in linksOf(cause);
  const seen = (Object.keys(before) as SignId[]).filter((sign) => before[sign] !== 'absent');
  const rows = [...seen.filter(ofCause), ...seen.filter((sign) => !ofCause(sign))].map((sign): Compared => ({
    sign,
    before: before[sign]!,
    now: now[sign],
  }));
  const again = rows.filter((row) => ofCause(row.sign) && row.now !== undefined);
  if (again.length === 0) return { rows, outcome: null };
  const change = again.reduce((sum, row) => sum + SIZE[row.now!] - SIZE[row.before], 0);
  // Solved takes every sign of the cause that was there, looked for again and gone.
  const gone = rows.filter((row) => ofCause(row.sign)).every((row) => row.now === 'absent');
  return { rows, outcome: gone ? 'solved' : change < 0 ? 'better' : change > 0 ? 'worse' : 'same' };
}
