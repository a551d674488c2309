import { Migration } from '@mikro-orm/migrations';

/** Days that a clip may be older than a focus whose hand-out shows its stills: it is the look that led to it. */
const OLDER_DAYS = 14;

/** Up to three stills of a clip that may leave the device, and since when that is agreed; the hand-out shows them. */
export class Migration20261223000000_stills extends Migration {
  override up(): void {
    this.addSql(`
      alter table clip
        add column stills jsonb not null default '[]',
        add column stills_agreed_at timestamptz,
        add constraint stills_agreed check (stills = '[]' or stills_agreed_at is not null)
    `);
    // With the rights of those who ask: nobody sees more of a swimmer by it.
    this.addSql(`
      create function stills_of_focus(asked uuid) returns jsonb language sql stable as $$
        select coalesce((
          select (select jsonb_agg(still || jsonb_build_object('on', c.recorded_on::text)) from jsonb_array_elements(c.stills) still)
          from focus f join clip c on c.swimmer_id = f.swimmer_id
          where f.id = asked and c.stills <> '[]' and c.recorded_on >= f.since::date - ${OLDER_DAYS}
          order by c.recorded_on desc, c.id desc limit 1), '[]') $$
    `);
    // Those who hold the secret of a hand-out see its stills and nothing else; a revoked link sees nothing.
    this.addSql(`
      create function stills_by_token(asked_hash bytea) returns jsonb
        language sql stable security definer set search_path = pg_catalog, public, pg_temp as $$
          select stills_of_focus(l.focus_id) from handout_link l where l.token_hash = asked_hash and l.revoked_at is null $$
    `);
    this.addSql('revoke execute on function stills_by_token(bytea) from public');
    this.addSql('grant execute on function stills_by_token(bytea) to upwell_app');
  }

  override down(): void {
    this.addSql('drop function stills_by_token(bytea)');
    this.addSql('drop function stills_of_focus(uuid)');
    this.addSql('alter table clip drop column stills, drop column stills_agreed_at');
  }
}
