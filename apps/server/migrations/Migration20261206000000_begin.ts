import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';

/** Who is signed in, by the secret of a cookie: unused for so long it has ended. */
const identity = (idle: string) => `
  create or replace function sign_in_identity(asked_hash bytea)
    returns table (account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text)
    language sql volatile ${SAFE}
  as $$
    update sign_in_session set used_at = now()
      where token_hash = asked_hash and used_at between now() - interval '${idle}' and now() - interval '1 hour';
    select a.id, a.club_id, a.role, a.swimmer_id,
      case a.role
        when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
        when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
        else '{}'::uuid[]
      end,
      a.name, c.name
    from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
    where i.token_hash = asked_hash and i.expires_at > now() and i.used_at > now() - interval '${idle}'
      and not a.disabled;
  $$;`;

/** The first club of a server: begun once, with the code that the server prints. */
export class Migration20261206000000_begin extends Migration {
  override up(): void {
    // Nobody but the owner reads it: no policy, no grant.
    this.addSql('create table setup (code text primary key)');
    this.addSql('alter table setup enable row level security');
    this.addSql(`
      create function setup_needed() returns boolean language sql stable ${SAFE}
      as $$ select not exists (select from club) $$;
      create function begin_club(asked_code text, new_club jsonb, head jsonb) returns text language plpgsql volatile ${SAFE}
      as $$
      begin
        -- Two who begin at once go one after the other; the second finds the first one's club.
        lock table setup in exclusive mode;
        if exists (select from club) then return 'there'; end if;
        if not exists (select from setup where code = asked_code) then return 'wrong code'; end if;
        insert into club (id, name, settings, write_id)
          values ((new_club->>'id')::uuid, new_club->>'name', new_club->'settings', (new_club->>'id')::uuid);
        insert into account (id, club_id, email, name, role, password_hash)
          values ((head->>'id')::uuid, (new_club->>'id')::uuid, lower(head->>'email'), head->>'name', 'head',
            head->>'passwordHash');
        delete from setup;
        return 'begun';
      end $$;
      revoke execute on function setup_needed(), begin_club(text, jsonb, jsonb) from public;
      grant execute on function setup_needed(), begin_club(text, jsonb, jsonb) to upwell_app;
    `);
    // A new password ends the other sign-ins of its account; only its own account changes it.
    this.addSql(`
      create function change_password(new_hash text, kept_sign_in bytea) returns void language sql volatile ${SAFE}
      as $$
        update account set password_hash = new_hash where id = app_account() and club_id = app_club() and not disabled;
        delete from sign_in_session where account_id = app_account() and club_id = app_club()
          and token_hash <> kept_sign_in;
      $$;
      create function own_password_hash() returns text language sql stable ${SAFE}
      as $$ select password_hash from account where id = app_account() and club_id = app_club() $$;
      revoke execute on function change_password(text, bytea), own_password_hash() from public;
      grant execute on function change_password(text, bytea), own_password_hash() to upwell_app;
    `);
    this.addSql(identity('30 days'));
    // What a person recognises a device by.
    this.addSql(`alter table sign_in_session add column id uuid not null default gen_random_uuid() unique`);
    this.addSql(`alter table sign_in_session add column device text not null default ''`);
    this.addSql('alter table sign_in_session add column begun_at timestamptz not null default now()');
  }

  override down(): void {
    this.addSql(identity('14 days'));
    this.addSql('alter table sign_in_session drop column id, drop column device, drop column begun_at');
    this.addSql(`
      drop function change_password(text, bytea), own_password_hash();
      drop function setup_needed(), begin_club(text, jsonb, jsonb);
      drop table setup;
    `);
  }
}
