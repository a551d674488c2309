import { Migration } from '@mikro-orm/migrations';

/** Swimmers found by a part of their name without asking every row: an index of names by their groups of three letters. */
export class Migration20261225000000_found extends Migration {
  override up(): void {
    // Where the extension is missing, out of reach or may not be installed, every name of the club is looked at instead.
    this.addSql(`
      do $$ begin
        create extension if not exists pg_trgm;
        create index swimmer_by_part_of_name on swimmer using gin (search_name gin_trgm_ops);
      exception when undefined_file or undefined_object or feature_not_supported or insufficient_privilege then
        raise notice 'pg_trgm is not there: names are found without their index';
      end $$;
    `);

    // Row-level security keeps a pattern from reaching an index. This one asks past it, for ids of one's own club alone:
    // what is shown of them is still asked for under the policies. Null where so many have it that walking is quicker.
    this.addSql(`
      create function swimmers_named(pattern text) returns uuid[]
        language plpgsql stable security definer
        set search_path = pg_catalog, public, pg_temp as $$
        declare named uuid[];
        begin
          -- Planned each time: what the index is good for depends on the pattern.
          execute 'select array_agg(n.id) from (
            select s.id from swimmer s where s.club_id = app_club() and s.search_name like $1 limit 201) n'
            into named using pattern;
          return case when cardinality(named) > 200 then null else coalesce(named, '{}') end;
        end $$;
      revoke execute on function swimmers_named(text) from public;
      grant execute on function swimmers_named(text) to upwell_app;
    `);

    this.addSql(`
      create function swimmers_found(
          club text, account text, role text, own_swimmer text, squads text,
          in_archive boolean, pattern text, in_squad uuid, at_level text, most integer,
          after_family text, after_given text, after_id uuid)
        returns table (id uuid, given_name text, family_name text, level text, squad_id uuid, squad_name text,
          birth_year integer, clip_consent boolean, archived boolean, goal jsonb, focus jsonb)
        language plpgsql as $$
        #variable_conflict use_column
        declare named uuid[];
        begin
          perform set_config('app.club_id', club, true), set_config('app.account_id', account, true),
            set_config('app.role', role, true), set_config('app.swimmer_id', own_swimmer, true),
            set_config('app.squad_ids', squads, true);
          named := swimmers_named(pattern);
          if named is null and after_id is null then
            return query select * from swimmers_first(club, account, role, own_swimmer, squads,
              in_archive, pattern, in_squad, at_level, most);
          elsif named is null then
            return query select * from swimmers_next(club, account, role, own_swimmer, squads,
              in_archive, pattern, in_squad, at_level, most, after_family, after_given, after_id);
          else
            return query
              select s.id, s.given_name, s.family_name, s.level, s.squad_id, q.name, s.birth_year, s.clip_consent,
                s.archived, s.goal,
                (select to_jsonb(open) from (
                  select f.id, f.swimmer_id, s.given_name || ' ' || s.family_name as swimmer_name, f.cause, f.drill,
                    f.cue, f.tries, f.since, f.relook_on::text as relook_on, f.outcome, f.review_id, f.version,
                    f.said_back, f.felt
                  from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) open)
              from unnest(named) n (id) join swimmer s on s.id = n.id join squad q on q.id = s.squad_id
              where s.archived = in_archive and (in_squad is null or s.squad_id = in_squad)
                and (at_level is null or s.level = at_level)
                and (after_id is null or (s.family_name, s.given_name, s.id) > (after_family, after_given, after_id))
              order by s.family_name, s.given_name, s.id limit most;
          end if;
        end $$;
    `);
  }

  override down(): void {
    this.addSql(`
      drop function swimmers_found;
      drop function swimmers_named;
      drop index if exists swimmer_by_part_of_name;
    `);
  }
}
