import { Migration } from '@mikro-orm/migrations';

/** Doors that stood open to whoever could send SQL as the app's role, and to a coach of another squad. */
export class Migration20261202000000_doors extends Migration {
  override up(): void {
    // What runs as the owner looks up its tables where they are, and in a session's own ones last.
    this.addSql(`
      do $$
      declare found regprocedure;
      begin
        for found in select p.oid from pg_proc p where p.prosecdef and p.pronamespace = 'public'::regnamespace loop
          execute format('alter function %s set search_path = pg_catalog, public, pg_temp', found);
        end loop;
      end $$`);
    // A coach puts a session into the squads they coach, and takes it out of those.
    this.addSql(`
      create function session_squads_are_own() returns trigger language plpgsql
        set search_path = pg_catalog, public, pg_temp
      as $$
      declare before uuid[] := '{}';
      begin
        if tg_op = 'UPDATE' then before := old.squad_ids; end if;
        if app_role() = 'coach' and exists (
          select from unnest(new.squad_ids || before) s
          where not (s = any (new.squad_ids) and s = any (before)) and not s = any (app_squads())
        ) then
          raise exception 'a session of a squad of somebody else' using errcode = '42501';
        end if;
        return new;
      end $$;
      create trigger squads_are_own before insert or update of squad_ids on training_session
        for each row execute function session_squads_are_own();
    `);
  }

  override down(): void {
    this.addSql('drop trigger squads_are_own on training_session');
    this.addSql('drop function session_squads_are_own()');
  }
}
