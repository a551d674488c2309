import { Migration } from '@mikro-orm/migrations';

const PEOPLE = [
  ...['account', 'review', 'focus', 'result', 'access_log', 'focus_try', 'clip', 'handout_link', 'swim_rep'],
  ...['deck_sign', 'attendance', 'test_result', 'swum_track', 'race_outlook', 'plan_week', 'session_rating'],
  'calendar_link',
];
/** What hangs on a swimmer, or on something that does: it goes with them. */
const HANGS: readonly (readonly [table: string, column: string, on: string])[] = [
  ...PEOPLE.map((table) => [table, 'swimmer_id', 'swimmer'] as const),
  ['race_plan', 'id', 'swimmer'],
  ['focus', 'review_id', 'review'],
  ['focus_try', 'focus_id', 'focus'],
  ['handout_link', 'focus_id', 'focus'],
  ['sign_in_session', 'account_id', 'account'],
];

const hang = (then: string) =>
  HANGS.map(
    ([table, column, on]) => `
      alter table ${table} drop constraint ${table}_${column}_fkey,
        add constraint ${table}_${column}_fkey foreign key (${column}) references ${on}${then}`,
  ).join(';');

const SEEN = `club_id = (select app_club()) and exists (select from swimmer s where s.id = access_log.swimmer_id)`;
const COACHES = `${SEEN} and (select app_coaches())`;

/** Who looked at what, kept for good; and one person erased everywhere. */
export class Migration20261203000000_people extends Migration {
  override up(): void {
    // What was looked at, as the route that showed it. Only ever added to, in one's own name; read by the head coach.
    this.addSql(`
      alter table access_log add column what text not null default 'GET /swimmers/:id';
      alter table access_log alter column what drop default;
      revoke update, delete on access_log from upwell_app;
      drop policy see on access_log;
      drop policy add on access_log;
      drop policy change on access_log;
      drop policy remove on access_log;
      create policy see on access_log for select
        using (club_id = (select app_club()) and ((select app_role()) = 'head' or account_id = (select app_account())));
      create policy add on access_log for insert with check (${COACHES} and account_id = (select app_account()));
      create index access_log_newest on access_log (club_id, id desc);
    `);

    this.addSql(hang(' on delete cascade'));

    // An erased person comes back by no way: from their id a stand-in follows, and from that nothing.
    this.addSql(`
      create table erased (
        stand_in uuid primary key,
        club_id uuid not null references club,
        erased_by uuid not null references account,
        erased_at timestamptz not null default now()
      );
      create index erased_club on erased (club_id);
      alter table erased enable row level security;
      grant select on erased to upwell_app;
      create policy see on erased for select using (club_id = (select app_club()) and (select app_coaches()));

      create function stand_in(person uuid) returns uuid language sql immutable
        set search_path = pg_catalog, public, pg_temp
        as $$ select md5('erased ' || person)::uuid $$;

      create function without_person(fact jsonb, person uuid) returns jsonb language sql immutable
        set search_path = pg_catalog, public, pg_temp
      as $$
        with unnamed as (
          select regexp_replace(fact::text, person::text, stand_in(person)::text, 'gi')::jsonb as fact
        )
        select case when u.fact #> '{setup,swimmers}' is null then u.fact
          else jsonb_set(u.fact, '{setup,swimmers}', (
            select coalesce(jsonb_agg(
              case when s->>'id' = stand_in(person)::text then s || '{"name": "Somebody"}' else s end order by n), '[]')
            from jsonb_array_elements(u.fact #> '{setup,swimmers}') with ordinality t(s, n)))
          end
        from unnamed u
      $$;

      create function nobody_comes_back() returns trigger language plpgsql security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      begin
        if exists (select from erased where stand_in = stand_in(new.id)) then
          raise exception 'this person was erased' using errcode = '42501';
        end if;
        return new;
      end $$;
      create trigger nobody_comes_back before insert on swimmer for each row execute function nobody_comes_back();

      -- A device that was away brings events that still name them.
      create function events_name_nobody_erased() returns trigger language plpgsql security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      declare person uuid;
      begin
        if exists (select from erased where club_id = new.club_id) then
          for person in
            select distinct m[1]::uuid from regexp_matches(new.fact::text,
                '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}', 'gi') m
              join erased e on e.stand_in = stand_in(m[1]::uuid)
          loop
            new.fact := without_person(new.fact, person);
          end loop;
        end if;
        return new;
      end $$;
      create trigger events_name_nobody_erased before insert on deck_event
        for each row execute function events_name_nobody_erased();
    `);

    // Counted from the foreign keys themselves, so that no table is forgotten.
    this.addSql(`
      create function rows_of_person(person uuid) returns jsonb language plpgsql stable security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      declare
        hanging record;
        n bigint;
        goes jsonb := '{}';
      begin
        if app_role() <> 'head' or not exists (select from swimmer where id = person and club_id = app_club()) then
          return null;
        end if;
        for hanging in
          select c.conrelid::regclass::text as name, a.attname as col
          from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
          where c.contype = 'f' and c.confrelid = 'swimmer'::regclass order by 1
        loop
          execute format('select count(*) from %s where %I = $1', hanging.name, hanging.col) into n using person;
          goes := goes || jsonb_build_object(hanging.name, n);
        end loop;
        return jsonb_build_object('goes', goes, 'stays', jsonb_build_object('deck_event',
          (select count(*) from deck_event where club_id = app_club() and fact::text ilike '%' || person || '%')));
      end $$;

      create function erase_person(person uuid) returns jsonb language plpgsql security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      declare counted jsonb;
      begin
        -- Nobody adds an event that names them meanwhile; what is added afterwards goes through the trigger.
        lock table deck_event in share row exclusive mode;
        perform from swimmer where id = person and club_id = app_club() for update;
        counted := rows_of_person(person);
        if counted is null then
          return null;
        end if;
        insert into erased (stand_in, club_id, erased_by) values (stand_in(person), app_club(), app_account());
        update deck_event set fact = without_person(fact, person)
          where club_id = app_club() and fact::text ilike '%' || person || '%';
        update result_chunk set rows = (
            select coalesce(jsonb_agg(r order by n), '[]') from jsonb_array_elements(rows) with ordinality t(r, n)
            where r->>'swimmerId' is distinct from person::text)
          where club_id = app_club() and rows::text ilike '%' || person || '%';
        delete from swimmer where id = person;
        return counted;
      end $$;
      revoke execute on function rows_of_person(uuid), erase_person(uuid), without_person(jsonb, uuid),
        nobody_comes_back(), events_name_nobody_erased() from public;
      grant execute on function rows_of_person(uuid), erase_person(uuid) to upwell_app;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function erase_person(uuid), rows_of_person(uuid);
      drop trigger events_name_nobody_erased on deck_event;
      drop trigger nobody_comes_back on swimmer;
      drop function events_name_nobody_erased(), nobody_comes_back(), without_person(jsonb, uuid), stand_in(uuid);
      drop table erased;
    `);
    this.addSql(hang(''));
    this.addSql(`
      drop index access_log_newest;
      drop policy see on access_log;
      drop policy add on access_log;
      alter table access_log drop column what;
      grant update on access_log to upwell_app;
      create policy see on access_log for select using (${SEEN});
      create policy add on access_log for insert with check (${COACHES});
      create policy change on access_log for update using (${COACHES}) with check (${COACHES});
      create policy remove on access_log for delete using (${COACHES});
    `);
  }
}
