import { RESULTS_COUNTED } from '@upwell/contract/recordLimits';
import { asIdentity, migrate } from '../src/platform/database';
import { Harness, type TestClub } from './harness';

/** More than may be found by id at once: then names are walked through in their order instead. */
const WAVES = 230;

let harness: Harness;
let club: TestClub;
let other: TestClub;
let hidden: string;

const addMany = (of: TestClub, squad: string, given: string, many: number) =>
  harness.owner.em.fork().execute(
    `insert into swimmer (id, club_id, squad_id, given_name, family_name, search_name, level, stroke_model,
       breathing_side, write_id)
     select gen_random_uuid(), ?, ?, ?, 'No ' || lpad(i::text, 3, '0'), lower(?) || ' no ' || lpad(i::text, 3, '0'),
       'hold', 'long-line', 'both', gen_random_uuid() from generate_series(1, ${many}) i`,
    [of.id, squad, given, given],
  );

beforeAll(async () => {
  harness = await Harness.start();
  [club, other] = await Promise.all([harness.club(), harness.club()]);
  hidden = await club.addSquad('Hidden', []);
  await addMany(club, club.squads[0]!, 'Wave', WAVES);
  await addMany(club, hidden, 'Brine', 3);
  await addMany(club, club.squads[0]!, 'Brine', 2);
  await addMany(other, other.squads[0]!, 'Brine', 5);
});
afterAll(() => harness.stop());

/** All names found, page by page. */
async function found(role: 'head' | 'coach', words: string, limit = 50): Promise<string[]> {
  const ask = await club.as(role);
  const names: string[] = [];
  for (let cursor = ''; ;) {
    const { body } = await ask('GET', `/swimmers?limit=${limit}&search=${encodeURIComponent(words)}${cursor}`);
    names.push(...body.items.map((s: { givenName: string; familyName: string }) => `${s.givenName} ${s.familyName}`));
    if (body.next === null) return names;
    cursor = `&cursor=${body.next}`;
  }
}

describe('swimmers found by a part of their name', () => {
  it('are all there, once and in order, where many have it', async () => {
    const names = await found('head', 'wave');
    expect(names).toHaveLength(WAVES);
    expect(names).toEqual([...names].sort());
    expect(new Set(names).size).toBe(WAVES);
  });

  it('are all there, page by page, where few have it', async () => {
    expect(await found('head', 'no 01', 3)).toEqual([
      ...['Brine No 001', 'Brine No 002'].slice(2),
      ...Array.from({ length: 10 }, (_, i) => `Wave No 01${i}`),
    ]);
    expect(await found('head', 'AVE no 2', 7)).toHaveLength(31);
  });

  it('are those of one’s own squads, and of no other club', async () => {
    expect(await found('head', 'brine')).toHaveLength(5);
    expect(await found('coach', 'brine')).toEqual(['Brine No 001', 'Brine No 002']);
  });

  it('takes one letter, and signs of a pattern as they are', async () => {
    expect((await found('head', 'w', 100)).length).toBe(WAVES);
    expect(await found('head', '%')).toEqual([]);
    expect(await found('head', 'wave_no')).toEqual([]);
    expect(await found('head', 'brine\\')).toEqual([]);
  });

  it('with a squad and a level beside the words', async () => {
    const head = await club.as('head');
    const inSquad = await head('GET', `/swimmers?search=brine&squadId=${hidden}`);
    expect(inSquad.body.items).toHaveLength(3);
    expect((await head('GET', '/swimmers?search=brine&level=race')).body.items).toEqual([]);
    expect((await head('GET', '/swimmers?search=brine&archived=true')).body.items).toEqual([]);
  });

  it('the function behind it tells ids of one’s own club alone', async () => {
    const who = { accountId: club.accounts.head!.id, clubId: club.id, role: 'head', swimmerId: null, squadIds: [] };
    const ids = await asIdentity(harness.database, who as never, (em) =>
      em.execute<{ ids: string[] | null }[]>(`select swimmers_named('%brine%') as ids`),
    );
    expect(ids[0]!.ids).toHaveLength(5);
    const [nobody] = await harness.database.em.fork().execute(`select swimmers_named('%brine%') as ids`);
    expect(nobody).toEqual({ ids: [] });
  });

  it('is asked of an index', async () => {
    const [index] = await harness.owner.em
      .fork()
      .execute(`select indexdef from pg_indexes where indexname = 'swimmer_by_part_of_name'`);
    expect(index!.indexdef).toContain('gin_trgm_ops');
  });

  it('works without that index where the extension lies out of reach', () =>
    harness.inEmptyDatabase(async (owner, config) => {
      const em = owner.em.fork();
      await em.execute('create schema elsewhere; create extension pg_trgm schema elsewhere');
      await migrate(owner, config);
      const [there] = await em.execute<{ index: string | null; named: string[] }[]>(
        `select to_regclass('swimmer_by_part_of_name')::text as index, swimmers_named('%a%') as named`,
      );
      expect(there).toEqual({ index: null, named: [] });
    }));

  it('and no query of those who ask is compiled', async () => {
    const [setting] = await harness.database.em.fork().execute('show jit');
    expect(setting).toEqual({ jit: 'off' });
  });
});

describe('the swimmers of one squad', () => {
  const pages = async (role: 'head' | 'coach', squad: string, limit: number, more = '') => {
    const ask = await club.as(role);
    const names: string[] = [];
    for (let cursor = ''; ;) {
      const { body } = await ask('GET', `/swimmers?limit=${limit}&squadId=${squad}${more}${cursor}`);
      names.push(...body.items.map((s: { givenName: string; familyName: string }) => `${s.familyName} ${s.givenName}`));
      if (body.next === null) return names;
      cursor = `&cursor=${body.next}`;
    }
  };

  it('are all there, once and in order, page by page', async () => {
    const names = await pages('head', club.squads[0]!, 50);
    expect(names).toHaveLength(WAVES + 2);
    expect(new Set(names).size).toBe(WAVES + 2);
    expect(names).toEqual([...names].sort());
    // By hand: the two that share a number with another stand before it, by their given name.
    expect(names.slice(0, 4)).toEqual(['No 001 Brine', 'No 001 Wave', 'No 002 Brine', 'No 002 Wave']);
    expect(await pages('head', hidden, 2)).toEqual(['No 001 Brine', 'No 002 Brine', 'No 003 Brine']);
  });

  it('are not shown to a coach of another one, nor to another club', async () => {
    expect(await pages('coach', club.squads[0]!, 100)).toHaveLength(WAVES + 2);
    expect(await pages('coach', hidden, 50)).toEqual([]);
    expect(await pages('head', other.squads[0]!, 50)).toEqual([]);
  });

  it('of one level, and those in the archive, alone', async () => {
    expect(await pages('head', hidden, 2, '&level=hold')).toHaveLength(3);
    expect(await pages('head', hidden, 2, '&level=race')).toEqual([]);
    expect(await pages('head', hidden, 2, '&archived=true')).toEqual([]);
  });
});

it('results are counted so far and no further, and paged through beyond it', async () => {
  const swimmer = await other.addSwimmer();
  await harness.owner.em.fork().execute(
    `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, kind)
     select gen_random_uuid(), ?, ?, date '2024-01-01' + i % 500, 100, 80 + i % 20, 'training'
     from generate_series(1, ${RESULTS_COUNTED + 40}) i`,
    [other.id, swimmer],
  );
  const head = await other.as('head');
  const first = (await head('GET', '/results?limit=50')).body;
  expect(first.total).toBe(RESULTS_COUNTED + 1);
  const days = first.items.map((r: { on: string }) => r.on);
  expect(days).toEqual([...days].sort().reverse());
  const last = (await head('GET', `/results?limit=50&offset=${RESULTS_COUNTED}`)).body;
  expect(last.items).toHaveLength(40);
  const fast = (await head('GET', '/results?limit=50&distanceM=100&sort=time&falling=false')).body;
  expect(fast.items.map((r: { timeS: number }) => r.timeS)).toEqual(Array.from({ length: 50 }, () => 80));
});

it('results are counted as they are shown: without the archive, by squad, by name, by meet, and those one may see', async () => {
  const fresh = await harness.club();
  const second = await fresh.addSquad('Second', []);
  const here = await fresh.addSwimmer(fresh.squads[0], { searchName: 'mirela quay' });
  const there = await fresh.addSwimmer(second, { searchName: 'otis reed' });
  const gone = await fresh.addSwimmer(fresh.squads[0], { searchName: 'mirela gone', archived: true });
  for (const [id, n] of [
    [here, 3],
    [there, 4],
    [gone, 5],
  ] as const)
    await harness.owner.em.fork().execute(
      `insert into result (id, club_id, swimmer_id, held_on, distance_m, time_s, kind, details)
       select gen_random_uuid(), ?, ?, date '2026-01-01' + i, 100 * i, 80 * i, 'training',
         case when i = 1 then '{"meet": "Lantern Cup"}'::jsonb else '{}'::jsonb end from generate_series(1, ${n}) i`,
      [fresh.id, id],
    );
  const [head, coach] = [await fresh.as('head'), await fresh.as('coach')];
  const asked: readonly (readonly [typeof head, string, number])[] = [
    // By hand: three and four; the five of the archive are not shown.
    [head, '', 7],
    [coach, '', 3],
    [head, `&squadId=${second}`, 4],
    [coach, `&squadId=${second}`, 0],
    [head, '&search=mirela', 3],
    [head, '&search=lantern', 2],
    [head, '&distanceM=200', 2],
    [head, '&kind=trial', 0],
    [head, '&search=otis&distanceM=400', 1],
  ];
  for (const [ask, query, n] of asked) {
    const { body } = await ask('GET', `/results?limit=50${query}`);
    expect([query, body.total, body.items.length]).toEqual([query, n, n]);
  }
});
