import type { FocusView } from './review';

/** The one thing that is being worked on, among all focuses of a swimmer. */
export const openFocus = (focuses: readonly FocusView[]): FocusView | undefined =>
  focuses.find((f) => f.outcome === null && !f.closedAt);
