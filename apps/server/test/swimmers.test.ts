import { v7 } from 'uuid';
import { asIdentity } from '../src/platform/database';
import { SwimmerEntity } from '../src/swimmers/entities';
import { fieldsOf, Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let other: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  [club, other] = await Promise.all([harness.club(), harness.club()]);
});
afterAll(() => harness.stop());

const save = (squadId: string, change: object = {}) => ({ ...fieldsOf(squadId), version: 0, writeId: v7(), ...change });

describe('who sees which swimmers', () => {
  it('another club is not there, also when its ids are guessed', async () => {
    const stranger = await other.addSwimmer();
    const head = await club.as('head');
    expect((await head('GET', `/swimmers/${stranger}`)).status).toBe(404);
    expect((await head('PUT', `/swimmers/${stranger}`, save(club.squads[0]!, { version: 1 }))).status).toBe(404);
    // The id is taken in the other club: that must not show.
    expect((await head('PUT', `/swimmers/${stranger}`, save(club.squads[0]!))).status).toBe(404);
    expect((await head('PUT', `/swimmers/${v7()}`, save(other.squads[0]!))).status).toBe(400);
    const list = await head('GET', '/swimmers?limit=100');
    expect(list.body.items.map((s: { id: string }) => s.id)).not.toContain(stranger);
    const stored = await harness.owner.em.fork().findOneOrFail(SwimmerEntity, { id: stranger });
    expect(stored.clubId).toBe(other.id);
  });

  it('a coach sees only the squads that are theirs', async () => {
    const hidden = await club.addSquad('Hidden', []);
    const [mine, theirs] = [await club.addSwimmer(), await club.addSwimmer(hidden)];
    const [coach, head] = [await club.as('coach'), await club.as('head')];
    expect((await coach('GET', `/swimmers/${mine}`)).status).toBe(200);
    expect((await coach('GET', `/swimmers/${theirs}`)).status).toBe(404);
    expect((await head('GET', `/swimmers/${theirs}`)).status).toBe(200);
    expect((await coach('GET', '/squads')).body.map((s: { name: string }) => s.name)).not.toContain('Hidden');
    expect((await coach('PUT', `/swimmers/${v7()}`, save(hidden))).status).toBe(400);
    // Nor can a coach push a swimmer into a squad that is not theirs.
    expect((await coach('PUT', `/swimmers/${mine}`, save(hidden, { version: 1 }))).status).toBe(400);
  });

  it('a swimmer sees only themself and changes nothing', async () => {
    const [self, mate] = [await club.addSwimmer(), await club.addSwimmer()];
    await club.addAccount('swimmer', self);
    const swimmer = await club.as('swimmer');
    expect((await swimmer('GET', `/swimmers/${self}`)).status).toBe(200);
    expect((await swimmer('GET', `/swimmers/${mate}`)).status).toBe(404);
    expect((await swimmer('GET', '/swimmers?limit=100')).body.items).toHaveLength(1);
    expect((await swimmer('PUT', `/swimmers/${self}`, save(club.squads[0]!, { version: 1 }))).status).toBe(403);
    expect((await swimmer('GET', '/sessions/proposal?date=2026-11-24')).status).toBe(403);
    expect((await swimmer('GET', '/coaches')).status).toBe(403);
    const everybody = await asIdentity(
      harness.database,
      { accountId: club.accounts.swimmer!.id, clubId: club.id, role: 'swimmer', swimmerId: self, squadIds: [] },
      (em) => em.execute('select email from account'),
    );
    expect(everybody).toHaveLength(1);
  });

  it('the database itself shows nothing when nobody said who asks', async () => {
    await club.addSwimmer();
    for (const table of [
      'club',
      'account',
      'squad',
      'swimmer',
      'review',
      'focus',
      'training_session',
      'result',
      'sign_in_session',
      'access_log',
      'squad_coach',
    ]) {
      expect(await harness.database.em.fork().execute(`select 1 from ${table}`)).toEqual([]);
    }
    const [role] = await harness.database.em
      .fork()
      .execute<{ rolbypassrls: boolean; rolsuper: boolean }[]>(
        'select rolbypassrls, rolsuper from pg_roles where rolname = current_user',
      );
    expect(role).toEqual({ rolbypassrls: false, rolsuper: false });
    await expect(harness.database.em.fork().execute('delete from swimmer')).rejects.toThrow(/permission denied/);
  });

  it('every table of a club is guarded', async () => {
    const open = await harness.owner.em.fork().execute(
      `select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where n.nspname = 'public' and c.relkind = 'r' and not c.relrowsecurity and c.relname <> 'mikro_orm_migrations'`,
    );
    expect(open).toEqual([]);
  });

  it('a look at a child is logged', async () => {
    const [child, adult] = [await club.addSwimmer(undefined, { birthYear: 2014 }), await club.addSwimmer()];
    const coach = await club.as('coach');
    expect((await coach('GET', `/swimmers/${child}`)).body.child).toBe(true);
    await coach('GET', `/swimmers/${adult}`);
    const rows = await harness.owner.em
      .fork()
      .execute<{ swimmer_id: string; account_id: string }[]>(
        'select swimmer_id, account_id from access_log where swimmer_id in (?, ?)',
        [child, adult],
      );
    expect(rows).toEqual([{ swimmer_id: child, account_id: club.accounts.coach!.id }]);
  });
});

describe('keeping swimmers', () => {
  it('creates, changes, archives, and counts the versions', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const goal = { event: 'Lantern Mile', date: '2027-06-21', distanceM: 1600, place: 'open-water', targetTimeS: 1800 };
    const created = await coach(
      'PUT',
      `/swimmers/${id}`,
      save(club.squads[0]!, { goal, healthFlags: ['ear'], healthConsent: true }),
    );
    expect(created).toMatchObject({ status: 200, body: { version: 1, goal, squadName: 'First' } });
    const archived = await coach('PUT', `/swimmers/${id}`, save(club.squads[0]!, { version: 1, archived: true }));
    expect(archived.body).toMatchObject({ version: 2, archived: true, goal: null });
    expect((await coach('GET', '/swimmers?archived=true')).body.items.map((s: { id: string }) => s.id)).toContain(id);
  });

  it('applies a save once, however often it is sent', async () => {
    const coach = await club.as('coach');
    const [id, body] = [v7(), save(club.squads[0]!)];
    const answers = [await coach('PUT', `/swimmers/${id}`, body), await coach('PUT', `/swimmers/${id}`, body)];
    expect(answers.map((a) => [a.status, a.body.version])).toEqual([
      [200, 1],
      [200, 1],
    ]);
  });

  it('lets one of two savers through and shows the other what is stored', async () => {
    const coach = await club.as('coach');
    const id = await club.addSwimmer();
    await coach('PUT', `/swimmers/${id}`, save(club.squads[0]!, { version: 1, givenName: 'First' }));
    const late = await coach('PUT', `/swimmers/${id}`, save(club.squads[0]!, { version: 1, givenName: 'Second' }));
    expect(late).toMatchObject({ status: 409, body: { current: { givenName: 'First', version: 2 } } });
    const both = await Promise.all(
      ['A', 'B'].map((givenName) => coach('PUT', `/swimmers/${id}`, save(club.squads[0]!, { version: 2, givenName }))),
    );
    expect(both.map((a) => a.status).sort()).toEqual([200, 409]);
  });

  it('names the field that is wrong and stores nothing', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const bad = await coach(
      'PUT',
      `/swimmers/${id}`,
      save(club.squads[0]!, { birthYear: 1000, bestTimes: [{ distanceM: 400, timeS: 1 }] }),
    );
    expect(bad.status).toBe(400);
    expect(bad.body.fields.map((f: { field: string }) => f.field)).toEqual(['birthYear', 'bestTimes.0']);
    expect((await coach('GET', `/swimmers/${id}`)).status).toBe(404);
    expect((await coach('GET', '/swimmers/not-an-id')).status).toBe(400);
  });

  it('pages by name without losing or repeating anybody, and finds accents and wildcards', async () => {
    const own = await harness.club();
    const names = ['Åsa', 'Bo', 'Bo', 'Cy', 'Di', 'Ed', '50%'];
    const head = await own.as('head');
    for (const givenName of names)
      await head('PUT', `/swimmers/${v7()}`, save(own.squads[0]!, { givenName, familyName: 'Same' }));
    const seen: string[] = [];
    let cursor = '';
    do {
      const page = await head('GET', `/swimmers?limit=2${cursor && `&cursor=${cursor}`}`);
      seen.push(...page.body.items.map((s: { id: string }) => s.id));
      cursor = page.body.next;
    } while (cursor);
    expect(new Set(seen).size).toBe(names.length);
    expect((await head('GET', '/swimmers?search=asa')).body.items).toHaveLength(1);
    expect((await head('GET', '/swimmers?search=%25')).body.items).toHaveLength(1);
    expect((await head('GET', '/swimmers?cursor=bad')).status).toBe(400);
    expect((await head('GET', '/swimmers?limit=100000')).status).toBe(400);
  });

  it('lets only the head coach change squads', async () => {
    const [head, coach] = [await club.as('head'), await club.as('coach')];
    const squad = { name: 'New', coachIds: [club.accounts.coach!.id], archived: false, version: 0, writeId: v7() };
    expect((await coach('PUT', `/squads/${v7()}`, squad)).status).toBe(403);
    expect((await head('PUT', `/squads/${v7()}`, squad)).body).toMatchObject({ name: 'New', swimmers: 0 });
    expect((await head('PUT', `/squads/${v7()}`, { ...squad, coachIds: [other.accounts.coach!.id] })).status).toBe(400);
  });
});
