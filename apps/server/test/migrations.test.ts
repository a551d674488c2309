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

/** A club with a coach, a squad and a swimmer, as every version of the tables takes them. */
async function filled(em: Database['em']) {
  const [club, squad, swimmer, coach] = [v7(), v7(), v7(), v7()];
  await em.execute(`insert into club (id, name) values (?, 'Club')`, [club]);
  await em.execute(
    `insert into account (id, club_id, email, name, role, password_hash) values (?, ?, 'c@club.example', 'C', 'coach', 'x')`,
    [coach, club],
  );
  await em.execute(`insert into squad (id, club_id, name, write_id) values (?, ?, 'Squad', ?)`, [squad, club, v7()]);
  await em.execute(
    `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, stroke_model, breathing_side, write_id)
     values (?, ?, ?, 'Ada', 'L', 'ada l', 'hold', 'long-line', 'both', ?)`,
    [swimmer, club, squad, v7()],
  );
  return { club, squad, swimmer, coach };
}

describe('the migrations', () => {
  it('leave no row that goes with another without an index that reaches it', async () => {
    // Otherwise erasing one person, or opening their page, reads everything that the club has.
    const unreached = await harness.owner.em.fork().execute(`
      select c.conrelid::regclass || '.' || a.attname as name
      from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
      where c.contype = 'f' and c.confdeltype in ('c', 'n') and c.connamespace = 'public'::regnamespace
        and not exists (select 1 from pg_index i where i.indrelid = c.conrelid and i.indkey[0] = c.conkey[1]
          and (i.indpred is null or pg_get_expr(i.indpred, i.indrelid) = '(' || a.attname || ' IS NOT NULL)'))
      order by 1`);
    expect(unreached).toEqual([]);
  });

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

  it('turn the sentences of what is stored into codes, and back into what an older server reads', () =>
    harness.inOwnDatabase(async (owner) => {
      await owner.getMigrator().down({ migrations: ['Migration20261209000000_words'] });
      const em = owner.em.fork();
      const { club, swimmer, coach } = await filled(em);
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
      const week = (monday: string, step: string | null, words: readonly string[]) =>
        em.execute(
          `insert into plan_week (swimmer_id, monday, club_id, phase, kind, load, theme, step, test, words)
           values (?, ?, ?, 'build', 'normal', 1000, 'spins', ?, false, ?::jsonb)`,
          [swimmer, monday, club, step, JSON.stringify(words)],
        );
      for (const [monday, step, words] of weeks) await week(monday, step, words);
      const ramp = { bestRateSpm: 62, distanceRateSpm: 58, reason: 'Fastest at 62.' };
      const measured = { value: 62, error: null, words: 'w', method: 'm', ramp };
      await em.execute(
        `insert into test_result (id, club_id, swimmer_id, noted_by, kind, held_on, input, outcome, note, write_id)
         values (?, ?, ?, ?, 'rate-ramp', '2026-01-05', '{}', ?::jsonb, '', ?)`,
        [v7(), club, swimmer, coach, JSON.stringify(measured), v7()],
      );
      const signed = ['Wind of 9 m/s is over 8.', 'It’s closed? “No swimming”, \\ said.', 'Not known: boats.'];
      await em.execute(
        `insert into water_day (id, club_id, signed_by, starts_at, readings, people, decision, reasons)
         values (?, ?, ?, now(), '{}', '{}', 'stop', ?::jsonb)`,
        [v7(), club, coach, JSON.stringify(signed)],
      );
      const outlook = async (kept: object) => {
        await em.execute('delete from race_outlook');
        await em.execute(
          `insert into race_outlook (swimmer_id, club_id, event, race_on, outlook, problems, made_on)
           values (?, ?, 'Mile', '2026-05-01', ?::jsonb, '[]', '2026-01-05')`,
          [swimmer, club, JSON.stringify(kept)],
        );
      };
      const gap = (verdict: string, reason: string) => ({ kind: 'gap', gap: { gapS: 9, verdict, reason } });
      const older: [object, object | null][] = [
        [gap('there', 'Today’s times already reach the target.'), { why: 'there' }],
        [
          gap('hopeful', 'A straighter line, feet and skills do it at today’s speed. Everything has to come together.'),
          { why: 'todays-speed', allOnTheDay: true },
        ],
        [
          gap('realistic', 'It needs 2.5 % more speed; 8 weeks bring that, by a cautious estimate.'),
          { why: 'weeks', more: 0.025, weeks: 8, allOnTheDay: false },
        ],
        [
          gap(
            'hopeful',
            'It asks 4.0 % more speed; 1 week bring 0.5 % by the careful guess. The rest is stroke length.',
          ),
          { why: 'stroke-length', more: 0.04, weeks: 1, brought: 0.005 },
        ],
        [
          gap('not-yet', 'It needs 9.0 % more speed; 8 weeks bring 3.0 % at best. Choose a later race.'),
          { why: 'not-yet', more: 0.09, weeks: 8, brought: 0.03 },
        ],
        [
          gap('beyond-anybody', 'The target needs 2.50 m/s over 1500 m: faster than anyone swims.'),
          { why: 'beyond-anybody', neededMps: 2.5, courseM: 1500 },
        ],
        [{ kind: 'none', reason: 'No target time: set one in the goal to see the gap.' }, { why: 'no-target' }],
        [{ kind: 'none', reason: 'The race is over: choose the next one.' }, { why: 'over' }],
        // It is worked out in the next night.
        [{ kind: 'none', reason: 'No all-out swim yet, so there is no prediction.' }, null],
      ];
      const reasonOf = async () => {
        const [row] = (await em.execute('select outlook from race_outlook')) as [
          { outlook: { gap?: { reason: object }; reason?: object } }?,
        ];
        return row ? (row.outlook.gap?.reason ?? row.outlook.reason) : null;
      };
      for (const [kept, reason] of older) {
        await outlook(kept);
        await owner.getMigrator().up();
        expect(await reasonOf()).toEqual(reason);
        expect(await em.execute('select reasons from water_day')).toEqual([
          { reasons: [{ id: 'wind', of: { windMps: 9, mostMps: 8 } }, { said: signed[1] }, { missing: 'traffic' }] },
        ]);
        await owner.getMigrator().down({ migrations: ['Migration20261209000000_words'] });
        expect(await em.execute('select reasons from water_day')).toEqual([{ reasons: signed }]);
      }
      // Read once more, as it was before.
      await em.execute('delete from plan_week');
      for (const [monday, step, words] of weeks) await week(monday, step, words);
      await em.execute(`update test_result set outcome = ?::jsonb`, [JSON.stringify(measured)]);

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

  it('file tracks under the day of their course, and back under the day in Greenwich', () =>
    harness.inOwnDatabase(async (owner) => {
      await owner.getMigrator().down({ migrations: ['Migration20261210000000_place'] });
      const em = owner.em.fork();
      const { club, swimmer, coach } = await filled(em);
      const track = (start: { lat: number; lon: number } | null, at: string) =>
        em.execute(
          `insert into swum_track (id, club_id, swimmer_id, noted_by, course_name, course, habits, points, summary)
           values (?, ?, ?, ?, 'Loop', ?::jsonb, '{}', ?::jsonb, ?::jsonb)`,
          [
            ...[v7(), club, swimmer, coach, JSON.stringify({ start })],
            JSON.stringify(start ? [[start.lat, start.lon, Date.parse(at)]] : []),
            JSON.stringify({ on: '2026-07-10', swumM: 900 }),
          ],
        );
      await track({ lat: 37.6, lon: 23.5 }, '2026-07-10T21:15:00Z');
      await track({ lat: 38.6, lon: -9.3 }, '2026-07-10T21:15:00Z');
      // Without points nobody knows better.
      await track(null, '');
      const days = async () =>
        await em.execute<{ on: string; swum: number }[]>(
          `select summary->>'on' as on, (summary->>'swumM')::int as swum from swum_track order by id`,
        );
      await owner.getMigrator().up();
      expect(await days()).toEqual(['2026-07-11', '2026-07-10', '2026-07-10'].map((on) => ({ on, swum: 900 })));
      await owner.getMigrator().down({ migrations: ['Migration20261210000000_place'] });
      expect((await days()).map(({ on }) => on)).toEqual(['2026-07-10', '2026-07-10', '2026-07-10']);
      await owner.getMigrator().up();
    }));
});
