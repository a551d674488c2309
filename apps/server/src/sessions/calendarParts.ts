// What stands on a shared calendar.
import type { Spot } from '@upwell/core/days/place';
import type { SessionRow } from '@upwell/contract/sessions';

/** What a calendar needs of a session. */
export interface CalendarSession extends Pick<
  SessionRow,
  'id' | 'title' | 'date' | 'startTime' | 'timeZone' | 'theme' | 'minutes' | 'groups'
> {
  readonly version: number;
}

/** A session as it stands in the database: where its course begins tells the clock. */
export interface StoredCalendarSession extends Omit<CalendarSession, 'timeZone'> {
  readonly spot: Spot | null;
}

/** Whole days of a calendar: races, and weeks with a test. */
export interface CalendarDays {
  readonly races: readonly { readonly event: string; readonly date: string }[];
  /** Mondays. */
  readonly tests: readonly string[];
}
