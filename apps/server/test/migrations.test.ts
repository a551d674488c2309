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
});
