import { Migration } from '@mikro-orm/migrations';

/** Tables with a club, and the policies that keep every club, squad and swimmer to themselves. */
export class Migration20261124000000_first extends Migration {
  override up(): void {
    this.addSql(`
      create table club (
        id uuid primary key,
        name text not null,
        settings jsonb not null default '{}'
      );
      create table squad (
        id uuid primary key,
        club_id uuid not null references club,
        name text not null,
        archived boolean not null default false,
        version integer not null default 1,
        write_id uuid not null
      );
      create index squad_club on squad (club_id, name);
      create table swimmer (
        id uuid primary key,
        club_id uuid not null references club,
        squad_id uuid not null references squad,
        given_name text not null,
        family_name text not null,
        search_name text not null,
        level text not null check (level in ('settle', 'build', 'hold', 'race')),
        birth_year integer,
        stroke_model text not null,
        breathing_side text not null,
        health_flags jsonb not null default '[]',
        health_consent boolean not null default false,
        kit jsonb not null default '[]',
        goal jsonb,
        best_times jsonb not null default '[]',
        archived boolean not null default false,
        version integer not null default 1,
        write_id uuid not null
      );
      create index swimmer_by_name on swimmer (club_id, archived, family_name, given_name, id);
      create index swimmer_by_squad on swimmer (squad_id, archived, family_name, given_name, id);
      create table account (
        id uuid primary key,
        club_id uuid not null references club,
        email text not null unique check (email = lower(email)),
        name text not null,
        role text not null check (role in ('head', 'coach', 'swimmer')),
        password_hash text not null,
        swimmer_id uuid references swimmer,
        check ((role = 'swimmer') = (swimmer_id is not null))
      );
      create index account_club on account (club_id, role);
      create table squad_coach (
        squad_id uuid not null references squad,
        account_id uuid not null references account,
        club_id uuid not null references club,
        primary key (squad_id, account_id)
      );
      create index squad_coach_account on squad_coach (account_id);
      create table sign_in_session (
        token_hash bytea primary key,
        account_id uuid not null references account,
        club_id uuid not null references club,
        expires_at timestamptz not null
      );
      create index sign_in_session_expiry on sign_in_session (expires_at);
      create table review (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        coach_id uuid not null references account,
        looked_at timestamptz not null,
        stroke text not null,
        model text not null,
        level text not null,
        signs jsonb not null,
        good text not null,
        ranking jsonb not null,
        version integer not null default 1,
        write_id uuid not null
      );
      create index review_of_swimmer on review (swimmer_id, looked_at desc);
      create table focus (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        review_id uuid not null references review,
        cause text not null,
        drill text not null,
        cue text not null,
        tries integer not null,
        since timestamptz not null,
        relook_on date not null,
        outcome text check (outcome in ('better', 'same', 'worse')),
        closed_at timestamptz
      );
      create index focus_of_swimmer on focus (swimmer_id, since desc);
      create index focus_open on focus (club_id, relook_on) where closed_at is null;
      create table training_session (
        id uuid primary key,
        club_id uuid not null references club,
        created_by uuid not null references account,
        title text not null,
        date date not null,
        start_time text not null,
        squad_ids uuid[] not null,
        theme text not null,
        minutes integer not null,
        plan jsonb not null,
        summary jsonb not null,
        version integer not null default 1,
        write_id uuid not null
      );
      create index training_session_by_date on training_session (club_id, date, start_time);
      create table result (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        held_on date not null,
        distance_m double precision not null,
        time_s double precision not null,
        strokes_per_length double precision
      );
      create index result_of_swimmer on result (swimmer_id, held_on desc);
      create table access_log (
        id bigint generated always as identity primary key,
        club_id uuid not null references club,
        account_id uuid not null references account,
        swimmer_id uuid not null references swimmer,
        looked_at timestamptz not null default now()
      );
      create index access_log_swimmer on access_log (swimmer_id, looked_at desc);
    `);

    // Who asks is set for each transaction; without it every policy is false.
    this.addSql(`
      create function app_club() returns uuid language sql stable as $$ select nullif(current_setting('app.club_id', true), '')::uuid $$;
      create function app_account() returns uuid language sql stable as $$ select nullif(current_setting('app.account_id', true), '')::uuid $$;
      create function app_swimmer() returns uuid language sql stable as $$ select nullif(current_setting('app.swimmer_id', true), '')::uuid $$;
      create function app_role() returns text language sql stable as $$ select coalesce(current_setting('app.role', true), '') $$;
      create function app_squads() returns uuid[] language sql stable as $$ select coalesce(nullif(current_setting('app.squad_ids', true), '')::uuid[], '{}') $$;
      create function app_coaches() returns boolean language sql stable as $$ select app_role() in ('head', 'coach') $$;
    `);

    // Before the club is known: the only two questions anybody may ask, by secret only.
    this.addSql(`
      create function sign_in_account(asked_email text)
        returns table (id uuid, club_id uuid, password_hash text)
        language sql stable security definer set search_path from current
        as $$ select a.id, a.club_id, a.password_hash from account a where a.email = lower(asked_email) $$;
      create function sign_in_identity(asked_hash bytea)
        returns table (account_id uuid, club_id uuid, role text, swimmer_id uuid, squad_ids uuid[], name text, club_name text)
        language sql stable security definer set search_path from current
        as $$
          select a.id, a.club_id, a.role, a.swimmer_id,
            case a.role
              when 'coach' then array(select sc.squad_id from squad_coach sc where sc.account_id = a.id)
              when 'swimmer' then array(select s.squad_id from swimmer s where s.id = a.swimmer_id)
              else '{}'::uuid[]
            end,
            a.name, c.name
          from sign_in_session i join account a on a.id = i.account_id join club c on c.id = a.club_id
          where i.token_hash = asked_hash and i.expires_at > now()
        $$;
      revoke execute on function sign_in_account(text), sign_in_identity(bytea) from public;
      grant execute on function sign_in_account(text), sign_in_identity(bytea) to upwell_app;
    `);

    const tables = [
      'club',
      'squad',
      'swimmer',
      'account',
      'squad_coach',
      'sign_in_session',
      'review',
      'focus',
      'training_session',
      'result',
      'access_log',
    ];
    for (const table of tables) {
      this.addSql(`alter table ${table} enable row level security`);
      this.addSql(`grant select, insert, update on ${table} to upwell_app`);
    }
    this.addSql('grant delete on squad_coach, sign_in_session to upwell_app');

    // Sub-selects are evaluated once for a query, not once for a row.
    const inClub = 'club_id = (select app_club())';
    const head = "(select app_role()) = 'head'";
    const coach = "(select app_role()) = 'coach'";
    const squads = '(select app_squads())::uuid[]';
    const rules: Record<string, { see: string; write: string }> = {
      squad: { see: `${inClub} and (${head} or id = any(${squads}))`, write: `${inClub} and ${head}` },
      swimmer: {
        see: `${inClub} and (${head} or (${coach} and squad_id = any(${squads})) or id = (select app_swimmer()))`,
        write: `${inClub} and (${head} or (${coach} and squad_id = any(${squads})))`,
      },
      account: { see: `${inClub} and ((select app_coaches()) or id = (select app_account()))`, write: 'false' },
      squad_coach: { see: inClub, write: `${inClub} and ${head}` },
      sign_in_session: {
        see: `${inClub} and account_id = (select app_account())`,
        write: `${inClub} and account_id = (select app_account())`,
      },
      training_session: {
        see: `${inClub} and (${head} or created_by = (select app_account()) or squad_ids && ${squads})`,
        write: `${inClub} and (${head} or (${coach} and (created_by = (select app_account()) or squad_ids && ${squads})))`,
      },
    };
    // What hangs on a swimmer is seen by whoever sees the swimmer: the inner query is guarded itself.
    for (const table of ['review', 'focus', 'result', 'access_log']) {
      const seen = `${inClub} and exists (select from swimmer s where s.id = ${table}.swimmer_id)`;
      rules[table] = { see: seen, write: `${seen} and (select app_coaches())` };
    }
    this.addSql('create policy see on club for select using (id = (select app_club()))');
    for (const [table, { see, write }] of Object.entries(rules)) {
      this.addSql(`create policy see on ${table} for select using (${see})`);
      this.addSql(`create policy add on ${table} for insert with check (${write})`);
      this.addSql(`create policy change on ${table} for update using (${write}) with check (${write})`);
      this.addSql(`create policy remove on ${table} for delete using (${write})`);
    }
  }

  override down(): void {
    this.addSql(
      `drop table access_log, result, training_session, focus, review, sign_in_session, squad_coach, account, swimmer, squad, club cascade`,
    );
    this.addSql(
      `drop function sign_in_account(text), sign_in_identity(bytea), app_coaches(), app_squads(), app_role(), app_swimmer(), app_account(), app_club()`,
    );
  }
}
