import { Migration } from '@mikro-orm/migrations';

/** What was seen in own words, a focus that is closed as solved, and the taps at ladders. */
export class Migration20261213000000_looks extends Migration {
  override up(): void {
    this.addSql(`alter table review add column noted text not null default ''`);
    this.addSql(`alter table swimmer add column ladder_log jsonb not null default '[]'`);
    this.addSql('alter table focus drop constraint focus_outcome_check');
    this.addSql(
      `alter table focus add constraint focus_outcome_check check (outcome in ('better', 'same', 'worse', 'solved'))`,
    );
  }

  override down(): void {
    this.addSql(`update focus set outcome = 'better' where outcome = 'solved'`);
    this.addSql('alter table focus drop constraint focus_outcome_check');
    this.addSql(`alter table focus add constraint focus_outcome_check check (outcome in ('better', 'same', 'worse'))`);
    this.addSql('alter table review drop column noted');
    this.addSql('alter table swimmer drop column ladder_log');
  }
}
