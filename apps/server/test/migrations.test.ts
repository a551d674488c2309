import { v7 } from 'uuid';
import { MIGRATIONS } from '../migrations';
import type { Database } from '../src/platform/database';
import { Harness } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

/** Everything a migration may leave behind: columns, policies, indexes and functions, in words. */
async function shape(owner: Database): Promise<string[]> {
  const rows = await owner.em.fork().execute<{ line: string }[]>(`
    select table_name || '.' || column_name || ' ' || data_type || ' ' || is_nullable || ' ' || coalesce(column_default, '') as line
      from information_schema.columns where table_schema = 'public'
    union all select 'policy ' || tablename || ' ' || policyname || ' ' || cmd || ' ' || coalesce(qual, '') || ' ' || coalesce(with_check, '')
      from pg_policies where schemaname = 'public'
    union all select indexdef from pg_indexes where schemaname = 'public'
    union all select 'function ' || p.proname || '(' || pg_get_function_arguments(p.oid) || ') ' || pg_get_function_result(p.oid)
      from pg_proc p join pg_namespace n on n.oid = p.pronamespace where n.nspname = 'public'
    order by 1`);
  return rows.map((r) => r.line);
}

describe('the migrations', () => {
  it('go back one by one, and forward to the same place', () =>
    harness.inOwnDatabase(async (owner) => {
      const whole = await shape(owner);
      const before: string[][] = [];
      // All the way down, noting the shape at each step …
      for (let i = MIGRATIONS.length; i > 0; i--) {
        before.unshift(await shape(owner));
        await owner.getMigrator().down();
      }
      // … and up again, through the same shapes.
      for (const expected of before) {
        await owner.getMigrator().up({ migrations: [(await owner.getMigrator().getPendingMigrations())[0]!.name] });
        expect(await shape(owner)).toEqual(expected);
      }
      expect(await shape(owner)).toEqual(whole);
      expect(await owner.getMigrator().getPendingMigrations()).toEqual([]);
    }));

  it('turn the sentences of stored weeks and tests into codes, and back into what an older server reads', () =>
    harness.inOwnDatabase(async (owner) => {
      await owner.getMigrator().down({ migrations: ['Migration20261209000000_words'] });
      const [club, squad, swimmer, coach] = [v7(), v7(), v7(), v7()];
      const em = owner.em.fork();
      await em.execute(`insert into club (id, name) values (?, 'Club')`, [club]);
      await em.execute(
        `insert into account (id, club_id, email, name, role, password_hash) values (?, ?, 'c@club.example', 'C', 'coach', 'x')`,
        [coach, club],
      );
      await em.execute(`insert into squad (id, club_id, name, write_id) values (?, ?, 'Squad', ?)`, [
        squad,
        club,
        v7(),
      ]);
      await em.execute(
        `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, stroke_model, breathing_side, write_id)
         values (?, ?, ?, 'Ada', 'L', 'ada l', 'hold', 'long-line', 'both', ?)`,
        [swimmer, club, squad, v7()],
      );
      const weeks: [string, string | null, string[]][] = [
        ['2026-01-05', null, ['Ill: nothing is swum, and nothing is made up for.']],
        ['2026-01-12', 'In a group.', []],
        [
          '2026-01-19',
          'In the pool: star float and calm breathing.',
          ['A sentence nobody wrote.', 'Metres down, effort stays, nothing new.'],
        ],
        [
          '2026-01-26',
          null,
          ['Race week: what is known, short and sharp.', 'Another race on 2026-01-31: swum out of training.'],
        ],
      ];
      for (const [monday, step, words] of weeks)
        await em.execute(
          `insert into plan_week (swimmer_id, monday, club_id, phase, kind, load, theme, step, test, words)
           values (?, ?, ?, 'build', 'normal', 1000, 'spins', ?, false, ?::jsonb)`,
          [swimmer, monday, club, step, JSON.stringify(words)],
        );
      const ramp = { bestRateSpm: 62, distanceRateSpm: 58, reason: 'Fastest at 62.' };
      await em.execute(
        `insert into test_result (id, club_id, swimmer_id, noted_by, kind, held_on, input, outcome, note, write_id)
         values (?, ?, ?, ?, 'rate-ramp', '2026-01-05', '{}', ?::jsonb, '', ?)`,
        [v7(), club, swimmer, coach, JSON.stringify({ value: 62, error: null, words: 'w', method: 'm', ramp }), v7()],
      );

      await owner.getMigrator().up();
      const stored = await em.execute('select step, notes from plan_week order by monday');
      expect(stored).toEqual([
        { step: null, notes: [{ note: 'ill' }] },
        { step: 6, notes: [] },
        { step: 0, notes: [{ note: 'taper' }] },
        { step: null, notes: [{ note: 'race' }, { note: 'other-race', on: '2026-01-31' }] },
      ]);
      const outcome = { value: 62, error: null, ramp: { bestRateSpm: 62, distanceRateSpm: 58 } };
      expect(await em.execute('select outcome from test_result')).toEqual([{ outcome }]);

      await owner.getMigrator().down({ migrations: ['Migration20261209000000_words'] });
      const back = await em.execute('select step, words from plan_week order by monday');
      expect(back).toEqual(weeks.map(([, step]) => ({ step, words: [] })));
      await owner.getMigrator().up();
    }));
});
