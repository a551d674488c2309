import { Migration20261124000000_first } from './Migration20261124000000_first';

/** All migrations in their order; listed by hand so that no file system is read at run time. */
export const MIGRATIONS = [{ name: 'Migration20261124000000_first', class: Migration20261124000000_first }];
