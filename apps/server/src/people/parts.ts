// What the routes about people share.
import type { Config } from '../platform/config';
import type { Database } from '../platform/database';
import type { Mail } from '../platform/mail';

export interface PeopleParts {
  readonly database: Database;
  readonly config: Config;
  /** Null where this server sends no mail. */
  readonly mail: Mail | null;
}
