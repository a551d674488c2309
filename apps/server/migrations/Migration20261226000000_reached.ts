import { Migration } from '@mikro-orm/migrations';

/** Columns by which rows follow another one that goes, and no index reached yet. */
const FOLLOWING = [
  ['account', 'swimmer_id'],
  ['calendar_link', 'swimmer_id'],
  ['focus', 'review_id'],
  ['focus_try', 'swimmer_id'],
  ['handout_link', 'swimmer_id'],
  ['invitation', 'swimmer_id'],
  ['invitation', 'used_by'],
  ['sign_in_session', 'account_id'],
  ['squad', 'roster_id'],
  ['training_session', 'course_id'],
] as const;

/** What took longer the larger the club: the focus of each review, whatever goes with a person, and the list of a squad. */
export class Migration20261226000000_reached extends Migration {
  override up(): void {
    for (const [table, column] of FOLLOWING)
      this.addSql(`create index ${table}_by_${column} on ${table} (${column}) where ${column} is not null`);

    // For all squads at once there is another function, whose plan walks through every name of the club.
    this.addSql(`
      create function swimmers_of_squad(
          club text, account text, role text, own_swimmer text, squads text,
          in_archive boolean, in_squad uuid, at_level text, most integer,
          after_family text, after_given text, after_id uuid)
        returns table (id uuid, given_name text, family_name text, level text, squad_id uuid, squad_name text,
          birth_year integer, clip_consent boolean, archived boolean, goal jsonb, focus jsonb)
        language plpgsql as $$
        #variable_conflict use_column
        begin
          perform set_config('app.club_id', club, true), set_config('app.account_id', account, true),
            set_config('app.role', role, true), set_config('app.swimmer_id', own_swimmer, true),
            set_config('app.squad_ids', squads, true);
          return query
            select s.id, s.given_name, s.family_name, s.level, s.squad_id, q.name, s.birth_year, s.clip_consent,
              s.archived, s.goal,
              (select to_jsonb(open) from (
                select f.id, f.swimmer_id, s.given_name || ' ' || s.family_name as swimmer_name, f.cause, f.drill,
                  f.cue, f.tries, f.since, f.relook_on::text as relook_on, f.outcome, f.review_id, f.version,
                  f.said_back, f.felt
                from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) open)
            from swimmer s join squad q on q.id = s.squad_id
            where s.squad_id = in_squad and s.archived = in_archive and (at_level is null or s.level = at_level)
              and (after_id is null or (s.family_name, s.given_name, s.id) > (after_family, after_given, after_id))
            order by s.family_name, s.given_name, s.id limit most;
        end $$;
    `);
  }

  override down(): void {
    this.addSql('drop function swimmers_of_squad');
    for (const [table, column] of FOLLOWING) this.addSql(`drop index ${table}_by_${column}`);
  }
}
