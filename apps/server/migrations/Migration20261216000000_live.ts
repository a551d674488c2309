import { Migration } from '@mikro-orm/migrations';

/** Changes of a session and of its run are told to every server process that listens, when they are there to be read. */
export class Migration20261216000000_live extends Migration {
  override up(): void {
    this.addSql(`
      create function tell_session() returns trigger language plpgsql as $$
      begin
        perform pg_notify('upwell_live', json_build_object(
          'kind', 'session', 'id', coalesce(new.id, old.id), 'version', new.version)::text);
        return null;
      end $$`);
    this.addSql(`
      create trigger tell_session after insert or update or delete on training_session
      for each row execute function tell_session()`);
    this.addSql(`
      create function tell_run() returns trigger language plpgsql as $$
      begin
        perform pg_notify('upwell_live', json_build_object('kind', 'run', 'id', x.session_id)::text)
        from (select distinct session_id from added) x;
        return null;
      end $$`);
    this.addSql(`
      create trigger tell_run after insert on deck_event referencing new table as added
      for each statement execute function tell_run()`);
  }

  override down(): void {
    this.addSql('drop trigger tell_run on deck_event');
    this.addSql('drop function tell_run');
    this.addSql('drop trigger tell_session on training_session');
    this.addSql('drop function tell_session');
  }
}
