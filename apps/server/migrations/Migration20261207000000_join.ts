import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';

/** Invitations, links for a new password, and accounts that the head coach looks after. */
export class Migration20261207000000_join extends Migration {
  override up(): void {
    this.addSql(`
      alter table account add column version integer not null default 1;
      alter table account add column write_id uuid not null default gen_random_uuid();
      revoke update on account from upwell_app;
      grant update (name, role, swimmer_id, disabled, version, write_id) on account to upwell_app;
      drop policy change on account;
      create policy change on account for update
        using (club_id = (select app_club()) and (select app_role()) = 'head')
        with check (club_id = (select app_club()) and (select app_role()) = 'head' and (swimmer_id is null
          or exists (select from swimmer s where s.id = account.swimmer_id)));
    `);
    // Nobody who left can sign in, coaches a squad, or lets others in; and somebody always runs the club.
    this.addSql(`
      create function account_changed() returns trigger language plpgsql ${SAFE}
      as $$
      begin
        if old.role = 'head' and not old.disabled and (new.role <> 'head' or new.disabled) then
          -- Two heads who send each other away at once go one after the other.
          perform from club where id = new.club_id for no key update;
          if not exists (select from account where club_id = new.club_id and role = 'head' and not disabled) then
            raise exception 'a club has a head coach' using errcode = 'UW001';
          end if;
        end if;
        if new.disabled then
          delete from sign_in_session where account_id = new.id;
          delete from password_reset where account_id = new.id;
        end if;
        if new.disabled or new.role = 'swimmer' then
          delete from squad_coach where account_id = new.id;
        end if;
        if new.disabled or new.role <> old.role then
          delete from invitation where made_by = new.id and used_at is null and not (new.role = 'head' and not new.disabled);
        end if;
        return null;
      end $$;
      create trigger account_changed after update of role, disabled on account
        for each row when (old.role <> new.role or old.disabled <> new.disabled) execute function account_changed();
    `);
    this.addSql(`
      create table invitation (
        id uuid primary key,
        club_id uuid not null references club,
        token_hash bytea not null unique,
        role text not null check (role in ('head', 'coach', 'swimmer')),
        email text,
        swimmer_id uuid references swimmer on delete cascade,
        squad_ids uuid[] not null default '{}',
        made_by uuid not null references account,
        made_at timestamptz not null default now(),
        expires_at timestamptz not null,
        used_at timestamptz,
        used_by uuid references account on delete cascade,
        check ((role = 'swimmer') = (swimmer_id is not null))
      );
      create index invitation_club on invitation (club_id, made_at desc);
      alter table invitation enable row level security;
      grant select, insert, delete on invitation to upwell_app;
      create policy see on invitation for select using (club_id = (select app_club())
        and ((select app_role()) = 'head' or made_by = (select app_account())));
      create policy add on invitation for insert with check (club_id = (select app_club())
        and made_by = (select app_account()) and used_at is null
        and (swimmer_id is null or exists (select from swimmer s where s.id = invitation.swimmer_id))
        and ((select app_role()) = 'head' or ((select app_role()) = 'coach' and role = 'swimmer')));
      create policy remove on invitation for delete using (used_at is null and club_id = (select app_club())
        and ((select app_role()) = 'head' or made_by = (select app_account())));

      create table password_reset (
        token_hash bytea primary key,
        account_id uuid not null references account on delete cascade,
        club_id uuid not null references club,
        expires_at timestamptz not null,
        used_at timestamptz
      );
      create index password_reset_account on password_reset (account_id);
      alter table password_reset enable row level security;
      grant insert, delete on password_reset to upwell_app;
      grant select (account_id, club_id, used_at) on password_reset to upwell_app;
      create policy see on password_reset for select
        using (club_id = (select app_club()) and (select app_role()) = 'head');
      create policy add on password_reset for insert with check (club_id = (select app_club()) and used_at is null
        and (select app_role()) = 'head'
        and exists (select from account a where a.id = password_reset.account_id and not a.disabled));
      create policy remove on password_reset for delete
        using (club_id = (select app_club()) and (select app_role()) = 'head');
    `);
    // Who holds the secret of a link; nobody else learns anything by asking.
    this.addSql(`
      create function invitation_open(i invitation) returns text language sql stable ${SAFE}
      as $$ select case when i.used_at is not null then 'used' when i.expires_at < now() then 'over' else 'open' end $$;

      create function look_at_invitation(asked bytea)
        returns table (state text, club_name text, role text, email text, invited_by text, swimmer text, birth_year integer)
        language sql stable ${SAFE}
      as $$
        select invitation_open(i), c.name, i.role, i.email, a.name, s.given_name || ' ' || s.family_name, s.birth_year
        from invitation i join club c on c.id = i.club_id join account a on a.id = i.made_by
          left join swimmer s on s.id = i.swimmer_id
        where i.token_hash = asked
      $$;

      create function accept_invitation(asked bytea, person jsonb) returns table (said text, club uuid)
        language plpgsql volatile ${SAFE}
      as $$
      declare i invitation;
      begin
        select * into i from invitation where token_hash = asked for update;
        if not found then return query select 'unknown', null::uuid; return; end if;
        if invitation_open(i) <> 'open' then return query select invitation_open(i), null::uuid; return; end if;
        if exists (select from account where email = lower(person->>'email')) then
          return query select 'address', null::uuid; return;
        end if;
        insert into account (id, club_id, email, name, role, password_hash, swimmer_id)
          values ((person->>'id')::uuid, i.club_id, lower(person->>'email'), person->>'name', i.role,
            person->>'passwordHash', i.swimmer_id);
        insert into squad_coach (squad_id, account_id, club_id)
          select q.id, (person->>'id')::uuid, i.club_id from squad q where q.id = any(i.squad_ids) and q.club_id = i.club_id;
        update invitation set used_at = now(), used_by = (person->>'id')::uuid where id = i.id;
        return query select 'joined', i.club_id;
      end $$;

      create function look_at_reset(asked bytea) returns table (state text, name text, email text)
        language sql stable ${SAFE}
      as $$
        select case when r.used_at is not null then 'used' when r.expires_at < now() then 'over' else 'open' end,
          a.name, a.email
        from password_reset r join account a on a.id = r.account_id where r.token_hash = asked and not a.disabled
      $$;

      create function use_reset(asked bytea, new_hash text) returns text language plpgsql volatile ${SAFE}
      as $$
      declare r password_reset;
      begin
        select * into r from password_reset where token_hash = asked for update;
        if not found then return 'unknown'; end if;
        if r.used_at is not null then return 'used'; end if;
        if r.expires_at < now() then return 'over'; end if;
        update account set password_hash = new_hash where id = r.account_id and not disabled;
        if not found then return 'unknown'; end if;
        update password_reset set used_at = now() where token_hash = asked;
        delete from sign_in_session where account_id = r.account_id;
        return 'changed';
      end $$;

      -- What the head coach sees of everybody who may come in.
      create function accounts_of_club()
        returns table (id uuid, name text, email text, role text, swimmer_id uuid, swimmer text, disabled boolean,
          version integer, squad_ids uuid[], last_seen timestamptz)
        language sql stable ${SAFE}
      as $$
        select a.id, a.name, a.email, a.role, a.swimmer_id, s.given_name || ' ' || s.family_name, a.disabled, a.version,
          array(select sc.squad_id from squad_coach sc where sc.account_id = a.id order by 1),
          (select max(i.used_at) from sign_in_session i where i.account_id = a.id)
        from account a left join swimmer s on s.id = a.swimmer_id
        where a.club_id = app_club() and app_role() = 'head' and a.password_hash <> ''
        order by a.disabled, a.name, a.id
      $$;
      revoke execute on function invitation_open(invitation), look_at_invitation(bytea), accept_invitation(bytea, jsonb),
        look_at_reset(bytea), use_reset(bytea, text), accounts_of_club(), account_changed() from public;
      grant execute on function look_at_invitation(bytea), accept_invitation(bytea, jsonb), look_at_reset(bytea),
        use_reset(bytea, text), accounts_of_club() to upwell_app;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function accounts_of_club(), use_reset(bytea, text), look_at_reset(bytea), accept_invitation(bytea, jsonb),
        look_at_invitation(bytea), invitation_open(invitation);
      drop table password_reset, invitation;
      drop trigger account_changed on account;
      drop function account_changed();
      drop policy change on account;
      create policy change on account for update using (false) with check (false);
      grant update on account to upwell_app;
      alter table account drop column version, drop column write_id;
    `);
  }
}
