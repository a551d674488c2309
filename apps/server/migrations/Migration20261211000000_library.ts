import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';

/** Who is signed in, by the secret of a cookie; from here on with the state of the club's library. */
const identity = (columns: string, values: string) => `
  drop function sign_in_identity(bytea);
  create function sign_in_identity(asked_hash bytea)
    returns table (account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text,
      time_zone text, units text${columns})
    language sql volatile ${SAFE}
  as $$
    update sign_in_session set used_at = now()
      where token_hash = asked_hash and used_at between now() - interval '30 days' and now() - interval '1 hour';
    select a.id, a.club_id, a.role, a.swimmer_id,
      case a.role
        when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
        when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
        else '{}'::uuid[]
      end,
      a.name, c.name, coalesce(c.settings->>'timeZone', 'UTC'), coalesce(c.settings->>'units', 'm')${values}
    from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
    where i.token_hash = asked_hash and i.expires_at > now() and i.used_at > now() - interval '30 days'
      and not a.disabled;
  $$;
  revoke execute on function sign_in_identity(bytea) from public;
  grant execute on function sign_in_identity(bytea) to upwell_app;`;

/** The page behind a secret link; from here on with its club, whose library it is written in. */
const handout = (columns: string, values: string) => `
  drop function handout_by_token(bytea);
  create function handout_by_token(asked_hash bytea)
    returns table (${columns}given_name text, stroke text, signs jsonb, good text, cause text, drill text, cue text,
      tries integer, relook_on text)
    language sql stable ${SAFE}
    as $$
      select ${values}s.given_name, r.stroke, r.signs, r.good, f.cause, f.drill, f.cue, f.tries, f.relook_on::text
      from handout_link l join focus f on f.id = l.focus_id join review r on r.id = f.review_id
        join swimmer s on s.id = f.swimmer_id
      where l.token_hash = asked_hash and l.revoked_at is null and not s.archived
    $$;
  revoke execute on function handout_by_token(bytea) from public;
  grant execute on function handout_by_token(bytea) to upwell_app;`;

/** The club's own library, laid over the built-in one. */
export class Migration20261211000000_library extends Migration {
  override up(): void {
    this.addSql(`
      alter table club add column library_version integer not null default 0;
      create table library_entry (
        id uuid primary key,
        club_id uuid not null references club,
        kind text not null,
        key text not null,
        -- Null where the club went back to what is built in.
        body jsonb,
        changed_by uuid not null references account,
        changed_at timestamptz not null default now(),
        version integer not null default 1,
        write_id uuid not null,
        unique (club_id, kind, key)
      );
      alter table library_entry enable row level security;
      grant select, insert, update on library_entry to upwell_app;

      -- Every change of an entry is another library, whichever way it came.
      create function library_changed() returns trigger language plpgsql ${SAFE}
      as $$
      begin
        update club set library_version = library_version + 1 where id = new.club_id;
        return null;
      end $$;
      revoke execute on function library_changed() from public;
      create trigger library_changed after insert or update on library_entry
        for each row execute function library_changed();
    `);
    const own = 'club_id = (select app_club())';
    const head = `${own} and (select app_role()) = 'head'`;
    this.addSql(`create policy see on library_entry for select using (${own})`);
    this.addSql(`create policy add on library_entry for insert with check (${head})`);
    this.addSql(`create policy change on library_entry for update using (${head}) with check (${head})`);
    this.addSql(identity(', library_version integer', ', c.library_version'));
    this.addSql(handout('club_id uuid, ', 'l.club_id, '));
  }

  override down(): void {
    this.addSql(identity('', ''));
    this.addSql(handout('', ''));
    this.addSql(`
      drop table library_entry;
      drop function library_changed();
      alter table club drop column library_version;
    `);
  }
}
