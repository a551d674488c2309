import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';
const COLUMNS =
  'account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text';
const IDLE = `interval '14 days'`;

/** The two questions that anybody may ask, by secret only; `more` narrows whose sign-in is answered. */
const questions = (more: string) => `
  create or replace function sign_in_account(asked_email text)
    returns table (id uuid, club_id uuid, password_hash text) language sql stable ${SAFE}
  as $$ select a.id, a.club_id, a.password_hash from account a where a.email = lower(asked_email)${more} $$;
  create or replace function sign_in_identity(asked_hash bytea) returns table (${COLUMNS}) language sql volatile ${SAFE}
  as $$
    update sign_in_session set used_at = now()
      where token_hash = asked_hash and used_at between now() - ${IDLE} and now() - interval '1 hour';
    select a.id, a.club_id, a.role, a.swimmer_id,
      case a.role
        when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
        when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
        else '{}'::uuid[]
      end,
      a.name, c.name
    from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
    where i.token_hash = asked_hash and i.expires_at > now() and i.used_at > now() - ${IDLE}${more};
  $$;`;

/** People who did things here and cannot sign in: they stay by name with what they did and signed. */
export class Migration20261204000000_authors extends Migration {
  override up(): void {
    this.addSql('alter table account add column disabled boolean not null default false');
    this.addSql(questions(' and not a.disabled'));
    this.addSql(`
      create function take_in_authors(rows jsonb) returns setof uuid language sql volatile ${SAFE}
      as $$
        insert into account (id, club_id, email, name, role, password_hash, disabled)
        select x.id, app_club(), x.id || '@nobody.invalid', x.name, 'coach', '', true
        from jsonb_to_recordset(rows) as x (id uuid, name text)
        where app_role() = 'head' and app_club() is not null
        on conflict do nothing returning id
      $$;
      revoke execute on function take_in_authors(jsonb) from public;
      grant execute on function take_in_authors(jsonb) to upwell_app;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function take_in_authors(jsonb);
      ${questions('')}
      alter table account drop column disabled;
    `);
  }
}
