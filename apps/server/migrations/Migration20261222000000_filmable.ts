import { Migration } from '@mikro-orm/migrations';

/** A page of swimmers, as it was made first, with or without whether the guardian agreed to clips. */
const swimmerPage = (which: 'first' | 'next', consent: boolean) => {
  const cursor = which === 'next' ? ', after_family text, after_given text, after_id uuid' : '';
  const after =
    which === 'next' ? 'and (s.family_name, s.given_name, s.id) > (after_family, after_given, after_id)' : '';
  return `
      create function swimmers_${which}(
          club text, account text, role text, own_swimmer text, squads text,
          in_archive boolean, pattern text, in_squad uuid, at_level text, most integer${cursor})
        returns table (id uuid, given_name text, family_name text, level text, squad_id uuid, squad_name text,
          birth_year integer, ${consent ? 'clip_consent boolean, ' : ''}archived boolean, goal jsonb, focus jsonb)
        language plpgsql set enable_sort = off as $$
        #variable_conflict use_column
        begin
          perform set_config('app.club_id', club, true), set_config('app.account_id', account, true),
            set_config('app.role', role, true), set_config('app.swimmer_id', own_swimmer, true),
            set_config('app.squad_ids', squads, true);
          return query
            select s.id, s.given_name, s.family_name, s.level, s.squad_id, q.name, s.birth_year,
              ${consent ? 's.clip_consent, ' : ''}s.archived, s.goal,
              (select to_jsonb(open) from (
                select f.id, f.swimmer_id, s.given_name || ' ' || s.family_name as swimmer_name, f.cause, f.drill, f.cue,
                  f.tries, f.since, f.relook_on::text as relook_on, f.outcome, f.review_id, f.version, f.said_back, f.felt
                from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) open)
            from swimmer s join squad q on q.id = s.squad_id
            where s.archived = in_archive and (pattern is null or s.search_name like pattern)
              and (in_squad is null or s.squad_id = in_squad) and (at_level is null or s.level = at_level) ${after}
            order by s.family_name, s.given_name, s.id limit most;
        end $$`;
};

/** Who may be filmed is told with the names, so that it is known at the pool without a network. */
export class Migration20261222000000_filmable extends Migration {
  private replace(consent: boolean): void {
    for (const which of ['first', 'next'] as const) {
      this.addSql(`drop function swimmers_${which}`);
      this.addSql(swimmerPage(which, consent));
    }
  }

  override up(): void {
    this.replace(true);
  }

  override down(): void {
    this.replace(false);
  }
}
