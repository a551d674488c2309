import { Migration } from '@mikro-orm/migrations';

/** Somebody who is erased leaves the lists of sessions, and days at the water. */
const leaves = (tonight: string) => `
  create or replace function leaves_sessions() returns trigger language plpgsql security definer
    set search_path = pg_catalog, public, pg_temp
  as $$
  begin
    update training_session set breathe_freely = array_remove(breathe_freely, old.id)
      where club_id = old.club_id and old.id = any(breathe_freely);
    ${tonight}
    update water_day set people = people || jsonb_build_object(
        'swimmerIds', (select coalesce(jsonb_agg(s), '[]') from jsonb_array_elements(people->'swimmerIds') s
          where s <> to_jsonb(old.id)),
        'health', (select coalesce(jsonb_agg(h), '[]') from jsonb_array_elements(people->'health') h
          where h->>'swimmerId' <> old.id::text))
      where club_id = old.club_id and jsonb_exists(people->'swimmerIds', old.id::text);
    return old;
  end $$`;

/** Who is away from a session, who is a guest, and who swims where by hand. */
export class Migration20261212000000_tonight extends Migration {
  override up(): void {
    this.addSql(
      `alter table training_session add column tonight jsonb not null default '{"away":[],"guests":[],"places":{}}'`,
    );
    this.addSql(
      leaves(`update training_session set tonight = jsonb_build_object(
          'away', (tonight->'away') - old.id::text,
          'guests', (tonight->'guests') - old.id::text,
          'places', (tonight->'places') - old.id::text)
        where club_id = old.club_id and position(old.id::text in tonight::text) > 0;`),
    );
  }

  override down(): void {
    this.addSql(leaves(''));
    this.addSql('alter table training_session drop column tonight');
  }
}
