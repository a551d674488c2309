import { Migration } from '@mikro-orm/migrations';

/** Tracks that were swum on a course, with the course as it was drawn then; and sessions that are swum on one. */
export class Migration20261129000000_tracks extends Migration {
  override up(): void {
    this.addSql(`
      create table swum_track (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        course_id uuid references course on delete set null,
        noted_by uuid not null references account,
        course_name text not null,
        course jsonb not null,
        habits jsonb not null,
        points jsonb not null,
        -- Worked out by core, so that lists need not read the points.
        summary jsonb not null
      );
      alter table training_session add column course_id uuid references course on delete set null;
      create index swum_track_of_course on swum_track (course_id);
      create index swum_track_of_swimmer on swum_track (swimmer_id);
    `);
    const seen = 'club_id = (select app_club()) and exists (select from swimmer s where s.id = swum_track.swimmer_id)';
    const write = `${seen} and (select app_coaches())`;
    this.addSql('alter table swum_track enable row level security');
    this.addSql('grant select, insert, delete on swum_track to upwell_app');
    this.addSql(`create policy see on swum_track for select using (${seen})`);
    this.addSql(`create policy add on swum_track for insert with check (${write})`);
    this.addSql(`create policy remove on swum_track for delete using (${write})`);
  }

  override down(): void {
    this.addSql('drop table swum_track');
    this.addSql('alter table training_session drop column course_id');
  }
}
