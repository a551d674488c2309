import { Migration } from '@mikro-orm/migrations';

/** A course that is taken out stays for what was planned, read and swum on it, and can be put back. */
export class Migration20261219000000_removed_courses extends Migration {
  override up(): void {
    this.addSql('alter table course add column removed_at timestamptz');
  }

  override down(): void {
    this.addSql('delete from course where removed_at is not null');
    this.addSql('alter table course drop column removed_at');
  }
}
