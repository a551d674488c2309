import type { Drill } from '../library';

/** Days until a focus is looked at again: two weeks of practice, sooner for a small land or wall drill. */
export function daysToRelook(drill: Drill): number {
  return drill.factor === null ? 7 : 14;
}

/** How a focus turned out at the second look. */
export const OUTCOMES = ['better', 'same', 'worse'] as const;
export type Outcome = (typeof OUTCOMES)[number];
