// What stands on a shared calendar.
import type { Spot } from '@upwell/core/days/place';
import type { SessionPlan } from '@upwell/core/sessions';
import type { SessionRow } from '@upwell/contract/sessions';

/** What a calendar needs of a session. */
export interface CalendarSession extends Pick<
  SessionRow,
  'id' | 'title' | 'date' | 'startTime' | 'timeZone' | 'theme' | 'minutes' | 'groups'
> {
  readonly version: number;
  /** The course, or what the pool is like. */
  readonly at: { readonly name: string; readonly spot: Spot | null };
}

/** A session as it stands in the database: where its course begins tells the clock. */
export interface StoredCalendarSession
  extends Omit<CalendarSession, 'timeZone' | 'at'>, Pick<SessionPlan, 'pool' | 'place'> {
  readonly spot: Spot | null;
  readonly course: string | null;
}

/** Whole days of a calendar: races, and weeks with a test. */
export interface CalendarDays {
  readonly races: readonly { readonly id: string; readonly event: string; readonly date: string }[];
  /** Mondays. */
  readonly tests: readonly string[];
}
