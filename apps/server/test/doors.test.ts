import fc from 'fast-check';
import { v7 } from 'uuid';
import { asIdentity, connect, connectAsOwner, inTurn, migrate } from '../src/platform/database';
import { prepareJobs } from '../src/platform/jobs';
import { sessionOf } from './bodies';
import { fill } from './filled';
import { allRoutes, Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let other: TestClub;
let swimmerId: string;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  other = await harness.club();
  swimmerId = await club.addSwimmer();
  await club.addAccount('swimmer', swimmerId);
  await fill(harness, club, swimmerId);
  await fill(harness, other, await other.addSwimmer());
});
afterAll(() => harness.stop());

describe('row-level security', () => {
  const tables = () =>
    harness.owner.em.fork().execute<
      { name: string; guarded: boolean }[]
    >(`select c.relname as name, c.relrowsecurity as guarded from pg_class c join pg_attribute a on a.attrelid = c.oid
       where a.attname = 'club_id' and c.relkind = 'r' and c.relnamespace = 'public'::regnamespace order by 1`);

  it('guards every table that belongs to a club, and the app’s role cannot go round it', async () => {
    const found = await tables();
    expect(found.length).toBeGreaterThanOrEqual(14);
    expect(found.filter((t) => !t.guarded)).toEqual([]);
    const roles = await harness.owner.em.fork().execute<{ super: boolean; bypass: boolean; owns: number }[]>(
      `select rolsuper as super, rolbypassrls as bypass,
         (select count(*)::int from pg_class where relowner = r.oid) as owns
       from pg_roles r where rolname in ('upwell_app', ?)`,
      [harness.config.appRole.name],
    );
    const powerless = { super: false, bypass: false, owns: 0 };
    expect(roles).toEqual([powerless, powerless]);
  });

  it.each([
    ['a view of its own before ours', `create temp view account as select 'x@x'::text as email`],
    ['a table of its own before ours', 'create temp table swimmer (id uuid)'],
    ['a function in our schema', `create function public.lower(text) returns text language sql as 'select 1::text'`],
    ['an operator in our schema', 'create operator public.= (leftarg = uuid, rightarg = text, function = texteq)'],
    ['a schema', 'create schema mine'],
    ['the owner’s role', 'set role upwell_owner'],
    ['superuser', 'alter role current_user superuser'],
    ['the membership of another', 'grant upwell_owner to current_user'],
    ['no row-level security', 'alter table swimmer disable row level security'],
    ['another database', 'create database mine'],
    ['a file of the server', `select pg_read_file('/etc/passwd')`],
    ['a program', `copy (select 1) to program 'true'`],
  ])('does not let the app’s role have %s', async (_what, sql) => {
    await expect(harness.database.em.fork().execute(sql)).rejects.toThrow(/permission denied|must be|superuser|admin/);
  });

  it('looks nothing up in a session’s own tables where it runs as the owner', async () => {
    const functions = await harness.owner.em.fork().execute<{ name: string; config: string[] | null }[]>(
      `select proname as name, proconfig as config from pg_proc
       where prosecdef and pronamespace = 'public'::regnamespace`,
    );
    expect(functions.length).toBeGreaterThanOrEqual(6);
    for (const { name, config } of functions)
      expect([name, config]).toEqual([name, ['search_path=pg_catalog, public, pg_temp']]);
  });

  it.each(['head', 'coach', 'swimmer'] as const)('shows a %s nothing of another club, in any table', async (role) => {
    const who = {
      accountId: club.accounts[role]!.id,
      clubId: club.id,
      role,
      swimmerId: role === 'swimmer' ? swimmerId : null,
      squadIds: club.squads,
    };
    for (const { name } of await tables()) {
      const [seen] = await asIdentity(harness.database, who, (em) =>
        em.execute<{ theirs: number; ours: number }[]>(
          `select count(*) filter (where club_id <> '${club.id}')::int as theirs, count(*)::int as ours from ${name}`,
        ),
      );
      expect([name, seen!.theirs]).toEqual([name, 0]);
      // A test that sees nothing at all would prove nothing.
      if (role === 'head' && name !== 'sign_in_session') expect([name, seen!.ours > 0]).toEqual([name, true]);
    }
  });

  it('shows nobody anything when nobody asks, and lets nobody write into another club', async () => {
    for (const { name } of await tables()) {
      const rows = await harness.database.em.fork().execute<unknown[]>(`select 1 from ${name} limit 1`);
      expect([name, rows.length]).toEqual([name, 0]);
    }
    const head = { accountId: club.accounts.head!.id, clubId: club.id, role: 'head', swimmerId: null, squadIds: [] };
    const planted = asIdentity(harness.database, head, (em) =>
      em.execute(`insert into squad (id, club_id, name, write_id) values (?, ?, 'planted', ?)`, [v7(), other.id, v7()]),
    );
    await expect(planted).rejects.toThrow(/row-level security/);
    const changed = await asIdentity(harness.database, head, (em) =>
      em.execute<unknown[]>(`update swimmer set given_name = 'x' where club_id = '${other.id}' returning 1`),
    );
    expect(changed).toEqual([]);
  });
});

describe('a second Upwell on the same PostgreSQL', () => {
  it('has a role of its own, which cannot come into the first one’s database', async () => {
    const { ownerUrl, appRole } = harness.config;
    await harness.inOwnDatabase(async (owner, theirs) => {
      expect(theirs.appRole.name).not.toBe(appRole.name);
      // It is the first one’s password that would have been changed.
      await migrate(owner, { ...theirs, appRole: { ...theirs.appRole, password: 'changed' } });
      const first = await connect(harness.config);
      expect(await first.isConnected()).toBe(true);
      await first.close();
      const intruder = new URL(ownerUrl);
      intruder.username = theirs.appRole.name;
      intruder.password = 'changed';
      const wrong = connect({ ...theirs, appUrl: intruder.toString() });
      await expect(wrong).rejects.toThrow(/permission denied for database/);
    });
  });

  it('may start at the same moment as another on the same empty database', () =>
    harness.inEmptyDatabase(async (_owner, config) => {
      const start = async () => {
        const owner = await connectAsOwner(config);
        await inTurn(owner, async () => {
          await migrate(owner, config);
          await prepareJobs(owner, config);
        });
        await owner.close();
      };
      await Promise.all([start(), start(), start()]);
      const database = await connect(config);
      expect(await database.em.execute('select * from account')).toEqual([]);
      await database.close();
    }));
});

describe('a session', () => {
  it('is put by a coach into the squads they coach, and into nobody else’s', async () => {
    const [coach, head] = [await club.as('coach'), await club.as('head')];
    const [mine, theirs] = [club.squads[0]!, await club.addSquad('Theirs', [])];
    const put = async (who: typeof coach, id: string, version: number, squadIds: readonly string[]) => {
      const { status, body } = await who('PUT', `/sessions/${id}`, {
        ...sessionOf(mine),
        squadIds,
        version,
        writeId: v7(),
      });
      return [status, (body as { fields?: { field: string }[] }).fields?.[0]?.field];
    };
    expect(await put(coach, v7(), 0, [theirs])).toEqual([422, 'squadIds']);
    expect(await put(coach, v7(), 0, [mine, theirs])).toEqual([422, 'squadIds']);
    expect(await put(head, v7(), 0, [other.squads[0]!])).toEqual([422, 'squadIds']);
    // One that the head coach made for both is changed by either, and stays in both.
    const both = v7();
    expect(await put(head, both, 0, [mine, theirs])).toEqual([200, undefined]);
    expect(await put(coach, both, 1, [theirs, mine])).toEqual([200, undefined]);
    expect(await put(coach, both, 2, [mine])).toEqual([422, 'squadIds']);
    // The database holds it as well.
    const who = { accountId: club.accounts.coach!.id, clubId: club.id, role: 'coach', swimmerId: null };
    const planted = asIdentity(harness.database, { ...who, squadIds: [mine] }, (em) =>
      em.execute(
        `insert into training_session (id, club_id, created_by, title, date, start_time, squad_ids, theme, minutes, plan, summary, write_id)
         values (?, ?, ?, 'x', now(), '19:00', array[?]::uuid[], 'spins', 60, '{}', '[]', ?)`,
        [v7(), club.id, who.accountId, theirs, v7()],
      ),
    );
    await expect(planted).rejects.toThrow(/squad of somebody else/);
  });
});

describe('every route', () => {
  it('lets a swimmer change nothing but what is their own', async () => {
    const self = await club.as('swimmer');
    for (const { method, url } of await allRoutes(harness)) {
      if (method === 'GET' || /\/(account|compute)\//.test(url)) continue;
      const { status } = await self(method, url.replace('/api/v1', ''), method === 'PUT' ? {} : undefined);
      // A calendar of one's own can be taken back; this one is not there.
      // So can a clip, and its pieces come as bytes.
      const refusals = /calendar-links\/.*\/revoke$|sent-clips\/[^/]+$/.test(url)
        ? [404, 403]
        : /pieces/.test(url)
          ? [400, 415]
          : [400, 403];
      expect([method, url, refusals.includes(status)]).toEqual([method, url, true]);
    }
  });

  it('refuses writes that come from another site', async () => {
    const coach = await club.as('coach');
    await coach('GET', '/squads');
    for (const { method, url } of await allRoutes(harness)) {
      if (method === 'GET') continue;
      const answer = await harness.app.inject({
        method,
        url,
        headers: { origin: 'https://elsewhere.example' },
        ...(method === 'PUT' ? { payload: {} } : {}),
      });
      expect([method, url, answer.statusCode]).toEqual([method, url, 403]);
    }
  });

  it('answers anything that is thrown at it with a sentence, never with a crash', async () => {
    const head = await club.as('head');
    const all = (await allRoutes(harness)).filter(
      (r) => (r.method === 'PUT' || r.method === 'POST') && !/account|revoke/.test(r.url),
    );
    const hostile = fc.oneof(
      fc.jsonValue({ maxDepth: 3 }).filter((v) => typeof v === 'object' && v !== null),
      fc.dictionary(
        fc.constantFrom(
          'signs',
          'focus',
          'taps',
          'lines',
          'groups',
          'theme',
          'swimmerId',
          'version',
          'trials',
          'marked',
          '__proto__',
          'constructor',
        ),
        fc.oneof(
          fc.constantFrom(
            null,
            -1,
            1e308,
            'x'.repeat(5000),
            [],
            {},
            [[[]]],
            "'; drop table swimmer; --",
            '\u0000',
            '💧',
          ),
          fc.jsonValue({ maxDepth: 2 }),
        ),
      ),
    );
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...all), hostile, async ({ method, url }, body) => {
        const answer = await head(method, url.replace('/api/v1', ''), body as object);
        expect([url, answer.status >= 400 && answer.status < 500]).toEqual([url, true]);
        expect(answer.body.detail.length).toBeGreaterThan(10);
        expect(JSON.stringify(answer.body)).not.toMatch(/ at .*\.ts:\d+|node_modules|select .* from/i);
      }),
      { numRuns: 250 },
    );
  });

  it.each(['%00', '%', '..%2f..%2fetc%2fpasswd', "1' or '1'='1", 'null', '💧'])(
    'finds nothing under the id %s',
    async (id) => {
      const answer = await (await club.as('head'))('GET', `/swimmers/${encodeURIComponent(id)}`);
      expect([400, 404]).toContain(answer.status);
    },
  );
});
