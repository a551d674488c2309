import { Migration } from '@mikro-orm/migrations';

/** Best times in other strokes than front crawl, which set the pace of their sets. */
export class Migration20261215000000_stroke_times extends Migration {
  override up(): void {
    this.addSql(`alter table swimmer add column stroke_times jsonb not null default '[]'`);
  }

  override down(): void {
    this.addSql('alter table swimmer drop column stroke_times');
  }
}
