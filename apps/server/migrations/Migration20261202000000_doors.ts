import { Migration } from '@mikro-orm/migrations';

const COLUMNS =
  'account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text';
const WHO = `select a.id, a.club_id, a.role, a.swimmer_id,
    case a.role
      when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
      when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
      else '{}'::uuid[]
    end,
    a.name, c.name
  from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
  where i.token_hash = asked_hash and i.expires_at > now()`;
/** A sign-in that nobody used for so long is over. */
const IDLE = `interval '14 days'`;

/** Closes what was open to SQL sent as the app's role, to coaches of other squads, and to a lost phone. */
export class Migration20261202000000_doors extends Migration {
  override up(): void {
    // A sign-in that is used says so once an hour; one that is not used ends.
    this.addSql('alter table sign_in_session add column used_at timestamptz not null default now()');
    this.addSql(`
      create or replace function sign_in_identity(asked_hash bytea) returns table (${COLUMNS})
        language sql volatile security definer set search_path from current
      as $$
        update sign_in_session set used_at = now()
          where token_hash = asked_hash and used_at between now() - ${IDLE} and now() - interval '1 hour';
        ${WHO} and i.used_at > now() - ${IDLE};
      $$`);
    // What runs as the owner looks up its tables where they are, and in a session's own ones last.
    this.addSql(`
      do $$
      declare found regprocedure;
      begin
        for found in select p.oid from pg_proc p where p.prosecdef and p.pronamespace = 'public'::regnamespace loop
          execute format('alter function %s set search_path = pg_catalog, public, pg_temp', found);
        end loop;
      end $$`);
    // A coach puts a session into the squads they coach, and takes it out of those.
    this.addSql(`
      create function session_squads_are_own() returns trigger language plpgsql
        set search_path = pg_catalog, public, pg_temp
      as $$
      declare before uuid[] := '{}';
      begin
        if tg_op = 'UPDATE' then before := old.squad_ids; end if;
        if app_role() = 'coach' and exists (
          select from unnest(new.squad_ids || before) s
          where not (s = any (new.squad_ids) and s = any (before)) and not s = any (app_squads())
        ) then
          raise exception 'a session of a squad of somebody else' using errcode = '42501';
        end if;
        return new;
      end $$;
      create trigger squads_are_own before insert or update of squad_ids on training_session
        for each row execute function session_squads_are_own();
    `);
  }

  override down(): void {
    this.addSql('drop trigger squads_are_own on training_session');
    this.addSql('drop function session_squads_are_own()');
    this.addSql(`
      create or replace function sign_in_identity(asked_hash bytea) returns table (${COLUMNS})
        language sql stable security definer set search_path from current as $$ ${WHO} $$`);
    this.addSql('alter table sign_in_session drop column used_at');
  }
}
