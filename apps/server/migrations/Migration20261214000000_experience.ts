import { Migration } from '@mikro-orm/migrations';

const SAFE = 'set search_path = pg_catalog, public, pg_temp';

/** What second looks have taught the club: counts beside the rest of its library, from those that are closed already. */
export class Migration20261214000000_experience extends Migration {
  override up(): void {
    this.addSql(`
      -- Counts added up, whatever they stand under.
      create function added(a jsonb, b jsonb) returns jsonb language plpgsql immutable ${SAFE}
      as $$
      begin
        if a is null or b is null then return coalesce(a, b); end if;
        if jsonb_typeof(a) = 'number' then return to_jsonb(a::numeric + b::numeric); end if;
        if jsonb_typeof(a) = 'array' then
          return (select jsonb_agg(added(a -> i, b -> i) order by i) from generate_series(0, jsonb_array_length(a) - 1) i);
        end if;
        return (
          select coalesce(jsonb_object_agg(k, added(a -> k, b -> k)), '{}')
          from (select jsonb_object_keys(a) union select jsonb_object_keys(b)) x (k));
      end $$;

      -- Every coach adds to what the club knows; only a head coach changes it otherwise.
      create function learn(taught jsonb) returns void language plpgsql security definer ${SAFE}
      as $$
      begin
        if app_role() not in ('head', 'coach') then raise insufficient_privilege using message = 'Only coaches close a focus.'; end if;
        -- The library first, as every change of it does.
        perform 1 from club where id = app_club() for no key update;
        insert into library_entry (id, club_id, kind, key, body, changed_by, write_id)
          values (gen_random_uuid(), app_club(), 'experience', 'ours', taught, app_account(), gen_random_uuid())
        on conflict (club_id, kind, key) do update set body = added(library_entry.body, excluded.body),
          changed_by = excluded.changed_by, changed_at = now(), version = library_entry.version + 1,
          write_id = excluded.write_id;
      end $$;
      revoke execute on function learn(jsonb) from public;
      grant execute on function learn(jsonb) to upwell_app;

      -- What the second looks of a club have taught so far, as far as one may see them.
      create function taught_so_far(club uuid) returns jsonb language sql stable ${SAFE}
      as $$
        with judged as (
          select f.cause, f.drill, r.level, r.signs, f.outcome in ('better', 'solved') as so
          from focus f join review r on r.id = f.review_id where f.club_id = club and f.outcome is not null
        ), signs as (
          select cause, jsonb_object_agg(sign, jsonb_build_array(seen, looked)) as body from (
            select cause, s.key as sign, count(*) filter (where s.value <> 'absent') as seen, count(*) as looked
            from judged, jsonb_each_text(signs) s where so group by cause, s.key) x
          group by cause
        ), drills as (
          select cause, jsonb_object_agg(drill, body) as body from (
            select cause, drill, jsonb_object_agg(level, jsonb_build_array(helped, judged)) as body from (
              select cause, drill, level, count(*) filter (where so) as helped, count(*) as judged
              from judged group by cause, drill, level) x
            group by cause, drill) y
          group by cause
        )
        select jsonb_object_agg(cause, jsonb_build_object('signs', coalesce(s.body, '{}'), 'drills', d.body))
        from drills d left join signs s using (cause)
      $$;

      insert into library_entry (id, club_id, kind, key, body, changed_by, write_id)
        select gen_random_uuid(), c.id, 'experience', 'ours', taught_so_far(c.id), head.id, gen_random_uuid()
        from club c
          cross join lateral (select id from account where club_id = c.id and role = 'head' order by id limit 1) head
        where taught_so_far(c.id) is not null;

      -- Coaches read what is counted; swimmers have no use for it.
      drop policy see on library_entry;
      create policy see on library_entry for select using (
        club_id = (select app_club()) and (kind <> 'experience' or (select app_role()) in ('head', 'coach')));
    `);
  }

  override down(): void {
    this.addSql(`
      drop policy see on library_entry;
      create policy see on library_entry for select using (club_id = (select app_club()));
      delete from library_entry where kind = 'experience';
      drop function taught_so_far(uuid);
      drop function learn(jsonb);
      drop function added(jsonb, jsonb);
    `);
  }
}
