import { Migration } from '@mikro-orm/migrations';

/** What was read at a water for an hour: the whole club sees it, its coaches read it. */
export class Migration20261217000000_readings extends Migration {
  override up(): void {
    this.addSql(`
      create table water_reading (
        id uuid primary key default gen_random_uuid(),
        club_id uuid not null references club,
        course_id uuid not null references course on delete cascade,
        date date not null,
        hour smallint not null check (hour between 0 and 23),
        read jsonb not null,
        unique (course_id, date, hour)
      );
      create index water_reading_of_club on water_reading (club_id, id);
    `);
    const inClub = 'club_id = (select app_club())';
    const write = `${inClub} and (select app_coaches())`;
    this.addSql('alter table water_reading enable row level security');
    this.addSql('grant select, insert, update on water_reading to upwell_app');
    this.addSql(`create policy see on water_reading for select using (${inClub})`);
    this.addSql(`create policy add on water_reading for insert with check (${write})`);
    this.addSql(`create policy change on water_reading for update using (${write}) with check (${write})`);
  }

  override down(): void {
    this.addSql('drop table water_reading');
  }
}
