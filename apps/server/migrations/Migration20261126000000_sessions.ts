import { Migration } from '@mikro-orm/migrations';

/** Templates, series and what was swum; pool times; ladders; calendars by a secret address. */
export class Migration20261126000000_sessions extends Migration {
  override up(): void {
    this.addSql(`
      alter table training_session
        add column template boolean not null default false,
        add column series_id uuid,
        add column done jsonb,
        add column done_summary jsonb;
      drop index training_session_by_date;
      create index training_session_by_date on training_session (club_id, template, date, start_time);
      create index training_session_series on training_session (series_id) where series_id is not null;
      alter table squad add column pool_times jsonb not null default '[]';
      alter table swimmer add column ladder_steps jsonb not null default '{}';
      create table calendar_link (
        id uuid primary key,
        club_id uuid not null references club,
        squad_id uuid not null references squad,
        token_hash bytea not null unique,
        created_by uuid not null references account,
        created_at timestamptz not null default now(),
        revoked_at timestamptz
      );
      create index calendar_link_of_squad on calendar_link (squad_id, created_at desc);
    `);

    // Whoever holds the secret sees when the squad swims and how far; nobody's name.
    this.addSql(`
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
    // The inner query is guarded by the squads one may see.
    const seen = `club_id = (select app_club()) and (select app_coaches())
      and exists (select from squad q where q.id = calendar_link.squad_id)`;
    this.addSql('alter table calendar_link enable row level security');
    this.addSql('grant select, insert, update on calendar_link to upwell_app');
    this.addSql(`create policy see on calendar_link for select using (${seen})`);
    this.addSql(`create policy add on calendar_link for insert with check (${seen})`);
    this.addSql(`create policy change on calendar_link for update using (${seen}) with check (${seen})`);
    this.addSql('grant delete on training_session to upwell_app');
    this.addSql(
      `create policy change on club for update using (id = (select app_club()) and (select app_role()) = 'head')`,
    );
  }

  override down(): void {
    this.addSql('drop policy change on club');
    this.addSql('revoke delete on training_session from upwell_app');
    this.addSql('drop function calendar_by_token(bytea); drop table calendar_link');
    this.addSql(`
      alter table swimmer drop column ladder_steps;
      alter table squad drop column pool_times;
      drop index training_session_series, training_session_by_date;
      alter table training_session drop column template, drop column series_id, drop column done, drop column done_summary;
      create index training_session_by_date on training_session (club_id, date, start_time);
    `);
  }
}
