import { Migration } from '@mikro-orm/migrations';

const SAFE = 'security definer set search_path = pg_catalog, public, pg_temp';
/** Worked out again, or a log: none of it says that somebody has done something with the swimmer. */
const NO_WORK = `('access_log', 'race_outlook', 'plan_week')`;

/** Swimmers out of a file: looked at first, stored once, taken back whole. Names are found without their accents. */
export class Migration20261208000000_roster extends Migration {
  override up(): void {
    this.addSql(`
      create table roster_import (
        id uuid primary key,
        club_id uuid not null references club,
        account_id uuid not null references account,
        name text not null,
        -- What was read and looked at; gone a day later.
        lines jsonb not null,
        created_at timestamptz not null default now(),
        stored_at timestamptz,
        swimmers integer not null default 0,
        squads integer not null default 0,
        undone_at timestamptz,
        removed integer not null default 0
      );
      create index roster_import_newest on roster_import (club_id, created_at desc);
      alter table roster_import enable row level security;
      grant select, insert, update, delete on roster_import to upwell_app;
    `);
    const own = `club_id = (select app_club()) and (select app_coaches())
      and (account_id = (select app_account()) or (select app_role()) = 'head')`;
    this.addSql(`create policy see on roster_import for select using (${own})`);
    this.addSql(
      `create policy add on roster_import for insert with check (${own} and account_id = (select app_account()))`,
    );
    this.addSql(`create policy change on roster_import for update using (${own}) with check (${own})`);
    this.addSql(`create policy remove on roster_import for delete using (${own} and stored_at is null)`);
    this.addSql(`
      alter table swimmer add column roster_id uuid references roster_import on delete set null;
      alter table squad add column roster_id uuid references roster_import on delete set null;
      create index swimmer_of_roster on swimmer (roster_id) where roster_id is not null;

      -- Letters that accents cannot be taken off from, for names that are here already.
      update swimmer set search_name = replace(replace(replace(replace(
        translate(search_name, 'øłđðħıŀŋŧĸſ', 'olddhilntks'), 'æ', 'ae'), 'œ', 'oe'), 'ß', 'ss'), 'þ', 'th')
        where search_name ~ '[øłđðħıŀŋŧĸſæœßþ]';

      -- A file that named somebody who was erased keeps nothing.
      create function roster_forgets() returns trigger language plpgsql ${SAFE}
      as $$
      begin
        if exists (select from erased where stand_in = stand_in(old.id)) then
          delete from roster_import where club_id = old.club_id and stored_at is null;
          update roster_import set lines = '[]' where club_id = old.club_id and lines <> '[]';
        end if;
        return null;
      end $$;
      create trigger roster_forgets after delete on swimmer for each row execute function roster_forgets();

      -- Takes back the swimmers and squads of a file with whom nobody has worked since.
      create function undo_roster(asked uuid) returns integer language plpgsql volatile ${SAFE}
      as $$
      declare
        hanging record;
        worked uuid[] := '{}';
        these uuid[];
        gone integer;
      begin
        perform from roster_import where id = asked and club_id = app_club() and app_coaches() and undone_at is null
          and (app_role() = 'head' or account_id = app_account()) for update;
        if not found then return null; end if;
        for hanging in
          select c.conrelid::regclass::text as name, a.attname as col
          from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
          where c.contype = 'f' and c.confrelid = 'swimmer'::regclass
            and c.conrelid::regclass::text not in ${NO_WORK}
        loop
          execute format('select array_agg(distinct t.%I) from %s t join swimmer s on s.id = t.%I where s.roster_id = $1',
            hanging.col, hanging.name, hanging.col) into these using asked;
          worked := worked || coalesce(these, '{}');
        end loop;
        delete from swimmer where roster_id = asked and club_id = app_club() and version = 1 and id <> all(worked);
        get diagnostics gone = row_count;
        delete from squad_coach where squad_id in (select id from squad q where q.roster_id = asked and q.version = 1
          and not exists (select from swimmer s where s.squad_id = q.id));
        delete from squad q where q.roster_id = asked and q.version = 1
          and not exists (select from swimmer s where s.squad_id = q.id)
          and not exists (select from training_session t where q.id = any(t.squad_ids))
          and not exists (select from calendar_link l where l.squad_id = q.id);
        update roster_import set undone_at = now(), removed = gone, lines = '[]' where id = asked;
        return gone;
      end $$;
      revoke execute on function roster_forgets(), undo_roster(uuid) from public;
      grant execute on function undo_roster(uuid) to upwell_app;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function undo_roster(uuid);
      drop trigger roster_forgets on swimmer;
      drop function roster_forgets();
      alter table swimmer drop column roster_id;
      alter table squad drop column roster_id;
      drop table roster_import;
    `);
  }
}
