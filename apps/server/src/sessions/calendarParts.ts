// What stands on a shared calendar.
import type { SessionRow } from '@upwell/contract/sessions';

/** What a calendar needs of a session. */
export interface CalendarSession extends Pick<
  SessionRow,
  'id' | 'title' | 'date' | 'startTime' | 'theme' | 'minutes' | 'groups'
> {
  readonly version: number;
}

/** Whole days of a calendar: races, and weeks with a test. */
export interface CalendarDays {
  readonly races: readonly { readonly event: string; readonly date: string }[];
  /** Mondays. */
  readonly tests: readonly string[];
}
