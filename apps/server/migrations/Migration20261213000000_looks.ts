import { Migration } from '@mikro-orm/migrations';

/** What was seen in own words, and a focus that is closed as solved. */
export class Migration20261213000000_looks extends Migration {
  override up(): void {
    this.addSql(`alter table review add column noted text not null default ''`);
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
  }
}
