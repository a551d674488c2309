import { Migration } from '@mikro-orm/migrations';

/** The pool, the splits and the meet of a swim. */
export class Migration20261220000000_swim_details extends Migration {
  override up(): void {
    this.addSql(`alter table result add column details jsonb not null default '{}'
      constraint result_details_small check (jsonb_typeof(details) = 'object' and octet_length(details::text) <= 4000)`);
  }

  override down(): void {
    this.addSql('alter table result drop column details');
  }
}
