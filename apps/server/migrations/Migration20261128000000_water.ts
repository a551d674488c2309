import { Migration } from '@mikro-orm/migrations';

/** Courses in open water: the whole club sees them, its coaches draw them. */
export class Migration20261128000000_water extends Migration {
  override up(): void {
    this.addSql(`
      create table course (
        id uuid primary key,
        club_id uuid not null references club,
        name text not null,
        place text not null,
        course jsonb not null,
        length_m double precision not null,
        version integer not null default 1,
        write_id uuid not null
      );
      create index course_by_name on course (club_id, name, id);
      -- What was decided before anybody got in; stays when the course goes.
      create table water_day (
        id uuid primary key,
        club_id uuid not null references club,
        course_id uuid references course on delete set null,
        signed_by uuid not null references account,
        signed_at timestamptz not null default now(),
        starts_at timestamptz not null,
        readings jsonb not null,
        people jsonb not null,
        decision text not null check (decision in ('go', 'change', 'stop')),
        reasons jsonb not null,
        overruled text
      );
      create index water_day_of_course on water_day (course_id, signed_at desc);
    `);
    const inClub = 'club_id = (select app_club())';
    const write = `${inClub} and (select app_coaches())`;
    // A record: added and read, never changed. Only the reference to a course that goes is taken out, by the database.
    this.addSql('alter table water_day enable row level security');
    this.addSql('grant select, insert on water_day to upwell_app');
    this.addSql(`create policy see on water_day for select using (${write})`);
    this.addSql(`create policy add on water_day for insert with check (${write})`);
    this.addSql('alter table course enable row level security');
    this.addSql('grant select, insert, update, delete on course to upwell_app');
    this.addSql(`create policy see on course for select using (${inClub})`);
    this.addSql(`create policy add on course for insert with check (${write})`);
    this.addSql(`create policy change on course for update using (${write}) with check (${write})`);
    this.addSql(`create policy remove on course for delete using (${write})`);
  }

  override down(): void {
    this.addSql('drop table water_day, course');
  }
}
