import { Migration } from '@mikro-orm/migrations';

const NOBODY = '00000000-0000-0000-0000-000000000000';

/** What the database holds itself: one open focus a swimmer, one plan under way, imports once, club rules with a version. */
export class Migration20261201000000_trust extends Migration {
  override up(): void {
    this.addSql(`
      -- Of several that were open at once the newest is the one that counted.
      update focus f set closed_at = n.since from (
        select distinct on (swimmer_id) swimmer_id, id, since from focus where closed_at is null
        order by swimmer_id, since desc, id desc) n
      where f.swimmer_id = n.swimmer_id and f.closed_at is null and f.id <> n.id;
      create unique index focus_one_open on focus (swimmer_id) where closed_at is null;

      update club_job set state = 'failed' where state in ('waiting', 'running');
      create unique index club_job_under_way on club_job (club_id, coalesce(asked_by, '${NOBODY}'))
        where state in ('waiting', 'running');

      alter table club
        add column version integer not null default 1,
        add column write_id uuid not null default gen_random_uuid();

      -- One row an import: it is stored once, shown, and can be taken back whole.
      create table result_import (
        id uuid primary key,
        club_id uuid not null references club,
        -- Null for imports from before they were noted.
        account_id uuid references account,
        name text not null,
        rows integer not null,
        stored integer not null,
        stored_at timestamptz not null default now(),
        undone_at timestamptz,
        removed integer not null default 0
      );
      create index result_import_newest on result_import (club_id, stored_at desc);
      create index result_of_import on result (import_id) where import_id is not null;
      insert into result_import (id, club_id, name, rows, stored)
        select import_id, club_id, 'Earlier import', count(*), count(*) from result
        where import_id is not null group by import_id, club_id;
    `);
    // How many results of an import are left, also of swimmers whom the coach does not see any more: a number only.
    this.addSql(`
      create function results_of_import(asked uuid) returns integer
        language sql stable security definer set search_path = public, pg_temp
        as $$ select count(*)::int from result where import_id = asked and club_id = app_club() $$;
      revoke execute on function results_of_import(uuid) from public;
      grant execute on function results_of_import(uuid) to upwell_app;
    `);
    const write = `club_id = (select app_club()) and (select app_coaches())
      and (account_id = (select app_account()) or (select app_role()) = 'head')`;
    this.addSql('alter table result_import enable row level security');
    this.addSql('grant select, insert, update on result_import to upwell_app');
    this.addSql(`create policy see on result_import for select using (${write})`);
    this.addSql(`create policy add on result_import for insert with check (${write})`);
    this.addSql(`create policy change on result_import for update using (${write}) with check (${write})`);
  }

  override down(): void {
    this.addSql(`
      drop function results_of_import(uuid);
      drop index result_of_import;
      drop table result_import;
      alter table club drop column version, drop column write_id;
      drop index club_job_under_way;
      drop index focus_one_open;
    `);
  }
}
