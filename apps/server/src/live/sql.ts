// What live streams ask the database.
import { int, rows, text } from '../platform/statement';

/** Tells all server processes something: JSON of a {@link Told}. */
export const TELL = rows({ told: text }, "select pg_notify('upwell_live', ?)::text as told");

/** The version of a session that one may see. */
export const VERSION = rows({ version: int }, 'select version from training_session where id = ?');
