import type { FocusView } from './review';
import type { SessionRow } from './sessions';

/** What matters today. */
export interface DeckToday {
  readonly date: string;
  readonly sessions: readonly SessionRow[];
  /** Focuses whose second look is due, the oldest first. */
  readonly relooks: readonly FocusView[];
}
