import { Migration } from '@mikro-orm/migrations';

/**
 * The list that every coach opens, in one round trip: it says who asks for its own statement only, as a
 * transaction would, and the same policies decide what is seen. Two functions, so that both keep a plan
 * that walks the index in the order of names.
 */
const SWIMMER_PAGE = (['first', 'next'] as const).map((which) => {
  const cursor = which === 'next' ? ', after_family text, after_given text, after_id uuid' : '';
  const after =
    which === 'next' ? 'and (s.family_name, s.given_name, s.id) > (after_family, after_given, after_id)' : '';
  return {
    name: `swimmers_${which}`,
    sql: `
      create function swimmers_${which}(
          club text, account text, role text, own_swimmer text, squads text,
          in_archive boolean, pattern text, in_squad uuid, at_level text, most integer${cursor})
        returns table (id uuid, given_name text, family_name text, level text, squad_id uuid, squad_name text,
          birth_year integer, archived boolean, goal jsonb, focus jsonb)
        -- One plan serves every limit; without this it would sort the whole club for thirty names.
        language plpgsql set enable_sort = off as $$
        #variable_conflict use_column
        begin
          perform set_config('app.club_id', club, true), set_config('app.account_id', account, true),
            set_config('app.role', role, true), set_config('app.swimmer_id', own_swimmer, true),
            set_config('app.squad_ids', squads, true);
          return query
            select s.id, s.given_name, s.family_name, s.level, s.squad_id, q.name, s.birth_year, s.archived, s.goal,
              (select to_jsonb(open) from (
                select f.id, f.swimmer_id, s.given_name || ' ' || s.family_name as swimmer_name, f.cause, f.drill, f.cue,
                  f.tries, f.since, f.relook_on::text as relook_on, f.outcome, f.review_id, f.version, f.said_back, f.felt
                from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) open)
            from swimmer s join squad q on q.id = s.squad_id
            where s.archived = in_archive and (pattern is null or s.search_name like pattern)
              and (in_squad is null or s.squad_id = in_squad) and (at_level is null or s.level = at_level) ${after}
            order by s.family_name, s.given_name, s.id limit most;
        end $$`,
  };
});

/** Tries at a focus, clips without their video, eye training and hand-out links. */
export class Migration20261125000000_depth extends Migration {
  override up(): void {
    this.addSql(`
      alter table swimmer add column clip_consent boolean not null default false;
      alter table review add column measured jsonb not null default '{}';
      alter table focus
        add column said_back text not null default '',
        add column felt text not null default '',
        add column version integer not null default 1,
        add column write_id uuid not null default gen_random_uuid();
      create table focus_try (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        focus_id uuid not null references focus,
        drill text not null,
        verdict text not null check (verdict in ('better', 'same', 'worse')),
        note text not null,
        at timestamptz not null
      );
      create index focus_try_of_focus on focus_try (focus_id, at);
      create table clip (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        coach_id uuid not null references account,
        title text not null,
        recorded_on date not null,
        duration_s double precision not null,
        aspect double precision not null,
        distance_m double precision,
        taps jsonb not null,
        lines jsonb not null,
        notes jsonb not null,
        version integer not null default 1,
        write_id uuid not null
      );
      create index clip_of_swimmer on clip (swimmer_id, recorded_on desc, id);
      create table eye_try (
        id uuid primary key,
        club_id uuid not null references club,
        account_id uuid not null references account,
        grade integer not null,
        seed integer not null,
        marked jsonb not null,
        at timestamptz not null default now()
      );
      create index eye_try_of_account on eye_try (club_id, account_id, at desc);
      create table handout_link (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        focus_id uuid not null references focus,
        token_hash bytea not null unique,
        created_by uuid not null references account,
        created_at timestamptz not null default now(),
        revoked_at timestamptz
      );
      create index handout_link_of_focus on handout_link (focus_id, created_at desc);
    `);

    // Whoever holds the secret sees this one page and nothing else; a revoked link sees nothing.
    this.addSql(`
      create function handout_by_token(asked_hash bytea)
        returns table (given_name text, stroke text, signs jsonb, good text, cause text, drill text, cue text,
          tries integer, relook_on text)
        language sql stable security definer set search_path from current
        as $$
          select s.given_name, r.stroke, r.signs, r.good, f.cause, f.drill, f.cue, f.tries, f.relook_on::text
          from handout_link l join focus f on f.id = l.focus_id join review r on r.id = f.review_id
            join swimmer s on s.id = f.swimmer_id
          where l.token_hash = asked_hash and l.revoked_at is null and not s.archived
        $$;
      revoke execute on function handout_by_token(bytea) from public;
      grant execute on function handout_by_token(bytea) to upwell_app;
    `);

    const inClub = 'club_id = (select app_club())';
    const coaches = '(select app_coaches())';
    const own = `${inClub} and account_id = (select app_account())`;
    const ofSwimmer = (table: string) =>
      `${inClub} and exists (select from swimmer s where s.id = ${table}.swimmer_id)`;
    const rules: Record<string, { see: string; write: string }> = {
      focus_try: { see: ofSwimmer('focus_try'), write: `${ofSwimmer('focus_try')} and ${coaches}` },
      clip: { see: ofSwimmer('clip'), write: `${ofSwimmer('clip')} and ${coaches}` },
      handout_link: {
        see: `${ofSwimmer('handout_link')} and ${coaches}`,
        write: `${ofSwimmer('handout_link')} and ${coaches}`,
      },
      eye_try: { see: `${inClub} and ${coaches}`, write: `${own} and ${coaches}` },
    };
    for (const [table, { see, write }] of Object.entries(rules)) {
      this.addSql(`alter table ${table} enable row level security`);
      this.addSql(`grant select, insert, update on ${table} to upwell_app`);
      this.addSql(`create policy see on ${table} for select using (${see})`);
      this.addSql(`create policy add on ${table} for insert with check (${write})`);
      this.addSql(`create policy change on ${table} for update using (${write}) with check (${write})`);
    }
    for (const { sql } of SWIMMER_PAGE) this.addSql(sql);

    // A clip can be deleted, it belongs to whoever is on it; a try can be taken back.
    this.addSql('grant delete on clip, focus_try to upwell_app');
    for (const table of ['clip', 'focus_try'])
      this.addSql(`create policy remove on ${table} for delete using (${rules[table]!.write})`);
  }

  override down(): void {
    this.addSql(SWIMMER_PAGE.map(({ name }) => `drop function ${name}`).join('; '));
    this.addSql('drop function handout_by_token(bytea)');
    this.addSql('drop table handout_link, eye_try, clip, focus_try');
    this.addSql(`
      alter table focus drop column said_back, drop column felt, drop column version, drop column write_id;
      alter table review drop column measured;
      alter table swimmer drop column clip_consent;
    `);
  }
}
