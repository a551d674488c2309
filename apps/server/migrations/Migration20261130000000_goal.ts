import { Migration } from '@mikro-orm/migrations';

/** The way to a race: what coaches decide, the weeks worked out from it, ratings by swimmers, calendars of one swimmer. */
export class Migration20261130000000_goal extends Migration {
  override up(): void {
    this.addSql(`
      -- What a coach decided; the id is the swimmer's.
      create table race_plan (
        id uuid primary key references swimmer,
        club_id uuid not null references club,
        choices jsonb not null,
        version integer not null default 1,
        write_id uuid not null
      );
      -- Worked out from it and from what was swum, again every night and after every change.
      create table race_outlook (
        swimmer_id uuid primary key references swimmer,
        club_id uuid not null references club,
        event text not null,
        race_on date not null,
        outlook jsonb not null,
        problems jsonb not null,
        made_on date not null
      );
      create index race_outlook_by_race on race_outlook (club_id, race_on, event);
      create table plan_week (
        swimmer_id uuid not null references swimmer,
        monday date not null,
        club_id uuid not null references club,
        phase text not null,
        kind text not null,
        load integer not null,
        theme text not null,
        step text,
        test boolean not null,
        words jsonb not null,
        primary key (swimmer_id, monday)
      );
      create index plan_week_by_week on plan_week (club_id, monday);
      create table session_rating (
        id uuid primary key default gen_random_uuid(),
        session_id uuid not null references training_session on delete cascade,
        swimmer_id uuid not null references swimmer,
        club_id uuid not null references club,
        value double precision not null check (value between 0 and 10),
        rated_at timestamptz not null default now(),
        unique (session_id, swimmer_id)
      );
      create index session_rating_of_swimmer on session_rating (swimmer_id);
      -- Progress of work in the background; the queue itself has its own schema.
      create table club_job (
        id uuid primary key,
        club_id uuid not null references club,
        state text not null check (state in ('waiting', 'running', 'done', 'failed', 'stopped')),
        done integer not null default 0,
        total integer not null default 0,
        -- Null for the club's own work at night.
        asked_by uuid references account,
        asked_at timestamptz not null default now()
      );
      create index club_job_newest on club_job (club_id, asked_at desc);
      alter table calendar_link add column swimmer_id uuid references swimmer;
    `);

    // The head coach takes in what an archive holds.
    const head = "(select app_role()) = 'head'";
    const inClub = 'club_id = (select app_club())';
    const coaches = '(select app_coaches())';
    const seen = (table: string, column: string) =>
      `${inClub} and exists (select from swimmer s where s.id = ${table}.${column})`;
    const rules: Record<string, { see: string; write: string }> = {
      club_job: { see: `${inClub} and ${coaches}`, write: `${inClub} and ${coaches}` },
      // Only who swam it says how it felt.
      session_rating: {
        see: seen('session_rating', 'swimmer_id'),
        write: `${inClub} and (swimmer_id = (select app_swimmer()) or ${head})
          and exists (select from training_session t where t.id = session_rating.session_id)`,
      },
    };
    for (const [table, column] of [
      ['race_plan', 'id'],
      ['race_outlook', 'swimmer_id'],
      ['plan_week', 'swimmer_id'],
    ] as const)
      rules[table] = { see: seen(table, column), write: `${seen(table, column)} and ${coaches}` };
    for (const [table, { see, write }] of Object.entries(rules)) {
      this.addSql(`alter table ${table} enable row level security`);
      this.addSql(`grant select, insert, update, delete on ${table} to upwell_app`);
      this.addSql(`create policy see on ${table} for select using (${see})`);
      this.addSql(`create policy add on ${table} for insert with check (${write})`);
      this.addSql(`create policy change on ${table} for update using (${write}) with check (${write})`);
      this.addSql(`create policy remove on ${table} for delete using (${write})`);
    }

    // A swimmer has a calendar of their own, and may take it back.
    const link = `club_id = (select app_club()) and case when swimmer_id is null
        then (select app_coaches()) and exists (select from squad q where q.id = calendar_link.squad_id)
        else exists (select from swimmer s where s.id = calendar_link.swimmer_id) end`;
    for (const name of ['see', 'add', 'change']) this.addSql(`drop policy ${name} on calendar_link`);
    this.addSql(`create policy see on calendar_link for select using (${link})`);
    this.addSql(`create policy add on calendar_link for insert with check (${link})`);
    this.addSql(`create policy change on calendar_link for update using (${link}) with check (${link})`);
    // Whoever holds the secret sees when a squad swims and its races, and nobody's name; or one swimmer's own.
    this.addSql(`
      drop function calendar_by_token(bytea);
      create function calendar_by_token(asked_hash bytea)
        returns table (name text, level text, sessions jsonb, races jsonb, tests jsonb)
        language sql stable security definer set search_path from current
        as $$
          select coalesce(s.given_name, q.name), s.level,
            coalesce((select jsonb_agg(x order by x.date) from (
              select t.id, t.title, t.date::text as date, t.start_time as "startTime", t.theme, t.minutes,
                t.summary as groups, t.version
              from training_session t where not t.template and t.club_id = l.club_id
                and coalesce(s.squad_id, l.squad_id) = any(t.squad_ids) and t.date >= current_date - 60
              order by t.date limit 500) x), '[]'),
            coalesce((select jsonb_agg(distinct jsonb_build_object('event', r.goal->>'event', 'date', r.goal->>'date'))
              from swimmer r where r.club_id = l.club_id and not r.archived and r.goal is not null
                and case when s.id is null then r.squad_id = l.squad_id else r.id = s.id end), '[]'),
            coalesce((select jsonb_agg(w.monday::text order by w.monday) from plan_week w
              where w.swimmer_id = s.id and w.test and w.monday >= current_date - 7), '[]')
          from calendar_link l join squad q on q.id = l.squad_id left join swimmer s on s.id = l.swimmer_id
          where l.token_hash = asked_hash and l.revoked_at is null and not q.archived
            and (l.swimmer_id is null or not s.archived)
        $$;
      revoke execute on function calendar_by_token(bytea) from public;
      grant execute on function calendar_by_token(bytea) to upwell_app;
      -- For the night: which clubs have races ahead. Ids only.
      create function clubs_with_races() returns table (id uuid)
        language sql stable security definer set search_path from current
        as $$ select distinct s.club_id from swimmer s where not s.archived and s.goal is not null $$;
      revoke execute on function clubs_with_races() from public;
      grant execute on function clubs_with_races() to upwell_app;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function clubs_with_races();
      drop function calendar_by_token(bytea);
      drop policy see on calendar_link;
      drop policy add on calendar_link;
      drop policy change on calendar_link;
      delete from calendar_link where swimmer_id is not null;
      alter table calendar_link drop column swimmer_id;
      create function calendar_by_token(asked_hash bytea)
        returns table (squad_name text, id uuid, title text, date text, start_time text, theme text, minutes integer,
          summary jsonb, version integer)
        language sql stable security definer set search_path from current
        as $$
          select q.name, t.id, t.title, t.date::text, t.start_time, t.theme, t.minutes, t.summary, t.version
          from calendar_link l join squad q on q.id = l.squad_id
            left join training_session t on not t.template and l.squad_id = any(t.squad_ids)
              and t.club_id = l.club_id and t.date >= current_date - 60
          where l.token_hash = asked_hash and l.revoked_at is null and not q.archived
          order by t.date limit 500
        $$;
      revoke execute on function calendar_by_token(bytea) from public;
      grant execute on function calendar_by_token(bytea) to upwell_app;
    `);
    const seen = `club_id = (select app_club()) and (select app_coaches())
      and exists (select from squad q where q.id = calendar_link.squad_id)`;
    this.addSql(`create policy see on calendar_link for select using (${seen})`);
    this.addSql(`create policy add on calendar_link for insert with check (${seen})`);
    this.addSql(`create policy change on calendar_link for update using (${seen}) with check (${seen})`);
    this.addSql('drop table club_job, session_rating, plan_week, race_outlook, race_plan');
  }
}
