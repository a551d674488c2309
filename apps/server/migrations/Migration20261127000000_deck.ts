import { Migration } from '@mikro-orm/migrations';

/** What happens on deck, and everything that is measured. */
export class Migration20261127000000_deck extends Migration {
  override up(): void {
    this.addSql(`
      create table deck_event (
        id uuid primary key,
        seq bigint generated always as identity,
        club_id uuid not null references club,
        session_id uuid not null references training_session on delete cascade,
        noted_by uuid not null references account,
        device uuid not null,
        at_ms double precision not null,
        fact jsonb not null
      );
      create index deck_event_of_session on deck_event (session_id, seq);
      -- Worked out from the events, so that a swimmer's records need not read whole runs.
      create table swim_rep (
        session_id uuid not null references training_session on delete cascade,
        swimmer_id uuid not null references swimmer,
        passage text not null,
        rep integer not null,
        club_id uuid not null references club,
        held_on date not null,
        distance_m double precision not null,
        time_s double precision not null,
        strokes double precision,
        effort double precision not null,
        stroke text not null,
        drill text,
        at_ms double precision not null,
        primary key (session_id, swimmer_id, passage, rep)
      );
      create index swim_rep_of_swimmer on swim_rep (swimmer_id, held_on desc);
      create table deck_sign (
        id uuid primary key,
        club_id uuid not null references club,
        session_id uuid not null references training_session on delete cascade,
        swimmer_id uuid not null references swimmer,
        sign text not null,
        sighting text not null,
        noted_on date not null
      );
      create index deck_sign_of_swimmer on deck_sign (swimmer_id, noted_on desc);
      create index deck_sign_of_session on deck_sign (session_id);
      create table attendance (
        session_id uuid not null references training_session on delete cascade,
        swimmer_id uuid not null references swimmer,
        club_id uuid not null references club,
        held_on date not null,
        status text not null check (status in ('in', 'out', 'absent')),
        in_ms double precision,
        out_ms double precision,
        primary key (session_id, swimmer_id)
      );
      create index attendance_of_swimmer on attendance (swimmer_id, held_on desc);
      create table test_result (
        id uuid primary key,
        club_id uuid not null references club,
        swimmer_id uuid not null references swimmer,
        noted_by uuid not null references account,
        kind text not null,
        held_on date not null,
        input jsonb not null,
        outcome jsonb not null,
        note text not null,
        version integer not null default 1,
        write_id uuid not null
      );
      create index test_result_of_swimmer on test_result (swimmer_id, kind, held_on desc);
      alter table result
        add column kind text not null default 'trial' check (kind in ('trial', 'training', 'track')),
        add column import_id uuid;
      create index result_by_date on result (club_id, held_on desc, id);
      create index result_by_distance on result (club_id, distance_m, time_s);
      -- Rows of a file on their way in: nothing of it counts before all have come.
      create table result_chunk (
        import_id uuid not null,
        chunk integer not null,
        club_id uuid not null references club,
        account_id uuid not null references account,
        rows jsonb not null,
        created_at timestamptz not null default now(),
        primary key (import_id, chunk)
      );
      create index result_chunk_age on result_chunk (created_at);
    `);

    const inClub = 'club_id = (select app_club())';
    const coaches = '(select app_coaches())';
    // Whoever sees the session or the swimmer sees what hangs on it: the inner query is guarded itself.
    const ofSession = (table: string) =>
      `${inClub} and exists (select from training_session t where t.id = ${table}.session_id)`;
    const ofSwimmer = (table: string) =>
      `${inClub} and exists (select from swimmer s where s.id = ${table}.swimmer_id)`;
    const own = `${inClub} and account_id = (select app_account()) and ${coaches}`;
    const rules: Record<string, { see: string; write: string }> = {
      deck_event: {
        see: `${ofSession('deck_event')} and ${coaches}`,
        write: `${ofSession('deck_event')} and ${coaches}`,
      },
      result_chunk: { see: own, write: own },
    };
    for (const table of ['swim_rep', 'deck_sign', 'attendance', 'test_result'])
      rules[table] = { see: ofSwimmer(table), write: `${ofSwimmer(table)} and ${coaches}` };
    for (const [table, { see, write }] of Object.entries(rules)) {
      this.addSql(`alter table ${table} enable row level security`);
      this.addSql(`grant select, insert on ${table} to upwell_app`);
      this.addSql(`create policy see on ${table} for select using (${see})`);
      this.addSql(`create policy add on ${table} for insert with check (${write})`);
    }
    // Events are only ever added; what is worked out from them is worked out again.
    for (const table of ['swim_rep', 'deck_sign', 'attendance', 'test_result', 'result_chunk']) {
      this.addSql(`grant update, delete on ${table} to upwell_app`);
      this.addSql(`create policy change on ${table} for update using (${rules[table]!.write})`);
      this.addSql(`create policy remove on ${table} for delete using (${rules[table]!.write})`);
    }
    this.addSql('grant delete on result to upwell_app');
  }

  override down(): void {
    this.addSql('revoke delete on result from upwell_app');
    this.addSql('drop table result_chunk, test_result, attendance, deck_sign, swim_rep, deck_event');
    this.addSql(`
      drop index result_by_date, result_by_distance;
      alter table result drop column kind, drop column import_id;
    `);
  }
}
