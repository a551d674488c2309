import { Migration } from '@mikro-orm/migrations';

/** Swimmers left out of sets with few breaths, one by one; somebody who is erased leaves such lists, and days at the water. */
export class Migration20261205000000_freely extends Migration {
  override up(): void {
    // Standing up came between two steps of the confidence ladder, and the upright kick went to the end of its own.
    this.addSql(`
      update swimmer set ladder_steps = jsonb_set(ladder_steps, '{confidence}',
        to_jsonb(least((ladder_steps->>'confidence')::int + 1, 11)))
        where (ladder_steps->>'confidence')::int >= 6;
      update swimmer set ladder_steps = jsonb_set(ladder_steps, '{kick}', to_jsonb((ladder_steps->>'kick')::int - 1))
        where (ladder_steps->>'kick')::int between 5 and 7;
    `);
    this.addSql("alter table training_session add column breathe_freely uuid[] not null default '{}'");
    this.addSql(`
      create function leaves_sessions() returns trigger language plpgsql security definer
        set search_path = pg_catalog, public, pg_temp
      as $$
      begin
        update training_session set breathe_freely = array_remove(breathe_freely, old.id)
          where club_id = old.club_id and old.id = any(breathe_freely);
        update water_day set people = people || jsonb_build_object(
            'swimmerIds', (select coalesce(jsonb_agg(s), '[]') from jsonb_array_elements(people->'swimmerIds') s
              where s <> to_jsonb(old.id)),
            'health', (select coalesce(jsonb_agg(h), '[]') from jsonb_array_elements(people->'health') h
              where h->>'swimmerId' <> old.id::text))
          where club_id = old.club_id and jsonb_exists(people->'swimmerIds', old.id::text);
        return old;
      end $$;
      revoke execute on function leaves_sessions() from public;
      create trigger leaves_sessions after delete on swimmer for each row execute function leaves_sessions();
    `);
  }

  override down(): void {
    this.addSql(`
      update swimmer set ladder_steps = jsonb_set(ladder_steps, '{confidence}',
        to_jsonb((ladder_steps->>'confidence')::int - 1))
        where (ladder_steps->>'confidence')::int >= 7;
    `);
    this.addSql('drop trigger leaves_sessions on swimmer; drop function leaves_sessions();');
    this.addSql('alter table training_session drop column breathe_freely');
  }
}
