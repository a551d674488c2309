import { Migration } from '@mikro-orm/migrations';

/** Swimmers left out of sets with few breaths, one by one; whoever is erased is left out of that list too. */
export class Migration20261205000000_freely extends Migration {
  override up(): void {
    this.addSql("alter table training_session add column breathe_freely uuid[] not null default '{}'");
    this.addSql(`
      create function leaves_sessions() returns trigger language plpgsql security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      begin
        update training_session set breathe_freely = array_remove(breathe_freely, old.id)
          where club_id = old.club_id and old.id = any(breathe_freely);
        return old;
      end $$;
      revoke execute on function leaves_sessions() from public;
      create trigger leaves_sessions after delete on swimmer for each row execute function leaves_sessions();
    `);
  }

  override down(): void {
    this.addSql('drop trigger leaves_sessions on swimmer; drop function leaves_sessions();');
    this.addSql('alter table training_session drop column breathe_freely');
  }
}
