import { PERSON_PARTS } from '@upwell/contract/person';
import { v7 } from 'uuid';
import { PERSON_TABLES } from '../src/swimmers/personSql';
import { clipOf, courseOf, eventsOf, resultOf, save, sessionOf, stillsOf, stored, testOf, waterDayOf } from './bodies';
import { fill } from './filled';
import { fieldsOf, Harness, type TestClub } from './harness';

/** Found nowhere else, also not in what other runs of this test have left. */
let NAME: { givenName: string; familyName: string; birthYear: number; clipConsent: true };

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
});
beforeEach(async () => {
  club = await harness.club();
  const tag = club.id.slice(-8);
  NAME = { givenName: `Quillon${tag}`, familyName: `Vexmoor${tag}`, birthYear: 2014, clipConsent: true };
});
afterAll(() => harness.stop());

const owner = () => harness.owner.em.fork();

/** Every table of the database, also those of the queue, with the rows of it that hold a text. */
async function traces(text: string): Promise<[string, number][]> {
  const tables = await owner().execute<{ name: string }[]>(
    `select format('%I.%I', table_schema, table_name) as name from information_schema.tables
     where table_schema in ('public', 'pgboss') and table_type = 'BASE TABLE' order by 1`,
  );
  const found: [string, number][] = [];
  for (const { name } of tables) {
    const [row] = await owner().execute<{ n: number }[]>(
      `select count(*)::int as n from ${name} t where t::text ilike ?`,
      [`%${text}%`],
    );
    if (row!.n > 0) found.push([name, row!.n]);
  }
  return found;
}

/** A child with rows in every table, who swam with another child. */
async function somebody() {
  const [person, friend] = [
    await club.addSwimmer(club.squads[0]!, NAME),
    await club.addSwimmer(club.squads[0]!, { givenName: 'Bram', familyName: 'Hollowell' }),
  ];
  await club.addAccount('swimmer', person);
  await fill(harness, club, person);
  const self = await club.as('swimmer');
  const link = v7().replaceAll('-', '').padEnd(43, 'b');
  expect((await self('PUT', `/calendar-links/${v7()}`, { swimmerId: person, token: link })).status).toBe(200);
  const coach = await club.as('coach');
  const session = v7();
  await coach('PUT', `/sessions/${session}`, { ...sessionOf(club.squads[0]!), ...save() });
  const events = ranBy(person, friend);
  expect((await coach('POST', `/deck/runs/${session}/events`, { events })).body).toEqual({ stored: events.length });
  return { person, friend, session };
}

/** A run of two swimmers, one of them with a name that is found nowhere else. */
function ranBy(person: string, friend: string): object[] {
  const [begin, ...rest] = eventsOf(person, v7()) as unknown as [
    { setup: { swimmers: object[]; lanes: { swimmers: string[] }[] } },
    ...object[],
  ];
  begin.setup.swimmers = [
    { id: person, name: `${NAME.givenName} V` },
    { id: friend, name: 'Bram H' },
  ];
  begin.setup.lanes[0]!.swimmers = [person, friend];
  const swap = { id: v7(), atMs: 1_796_000_000_500, device: v7(), kind: 'swap', a: person, b: friend };
  return [begin, swap, ...rest];
}

describe('the tables with rows of a person', () => {
  it('are those that the database knows of, each of which lets go of a person who is erased', async () => {
    const keys = await owner().execute<{ name: string; col: string; then: string }[]>(
      `select c.conrelid::regclass::text as name, a.attname as col, c.confdeltype as "then"
       from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       where c.contype = 'f' and c.confrelid = 'swimmer'::regclass`,
    );
    expect(keys.length).toBeGreaterThanOrEqual(18);
    expect(keys.filter((k) => k.then !== 'c')).toEqual([]);
    const known = PERSON_PARTS.map((part) => PERSON_TABLES[part]);
    expect(known.map((t) => `${t.table}.${t.person ?? 'swimmer_id'}`).sort()).toEqual(
      keys.map((k) => `${k.name}.${k.col}`).sort(),
    );
  });
});

describe('erasing one person', () => {
  it('leaves no trace of them in any table, and everybody else as they were', async () => {
    const { person, friend, session } = await somebody();
    const head = await club.as('head');
    const others = `select (select count(*)::int from deck_event where club_id = ?) as events,
      (select string_agg(a::text, ',') from attendance a where swimmer_id = ?) as heads,
      (select string_agg(r::text, ',' order by r::text) from swim_rep r where swimmer_id = ?) as reps,
      (select s::text from swimmer s where id = ?) as friend`;
    const before = await owner().execute(others, [club.id, friend, friend, friend]);
    expect((await traces(person)).length).toBeGreaterThanOrEqual(19);
    expect((await traces(NAME.givenName)).map(([table]) => table)).toEqual(['public.deck_event', 'public.swimmer']);

    const asked = await head('GET', `/swimmers/${person}/erasing`);
    expect(Object.entries(asked.body.goes).filter(([, rows]) => (rows as number) < 1)).toEqual([]);
    const erased = await head('DELETE', `/swimmers/${person}`);
    expect(erased.status).toBe(200);
    // What was asked about, and the looks that asking left.
    expect(erased.body).toEqual({ ...asked.body, goes: { ...asked.body.goes, looks: erased.body.goes.looks } });
    expect(erased.body.stays.deckEvents).toBe(7);

    expect(await traces(person)).toEqual([]);
    expect(await traces(NAME.givenName)).toEqual([]);
    expect(await traces(NAME.familyName)).toEqual([]);
    expect(await owner().execute(others, [club.id, friend, friend, friend])).toEqual(before);
    const run = await head('GET', `/deck/runs/${session}/events`);
    expect(run.status).toBe(200);
    const names = run.body.events[0].setup.swimmers.map((s: { name: string }) => s.name);
    expect(names).toEqual(['Somebody', 'Bram H']);
    expect((await head('DELETE', `/swimmers/${person}`)).status).toBe(404);
    expect((await head('GET', `/swimmers/${person}`)).status).toBe(404);
    const noted = await owner().execute(
      'select erased_by from erased where club_id = ? order by erased_at desc limit 1',
      [club.id],
    );
    expect(noted).toEqual([{ erased_by: club.accounts.head!.id }]);
  });

  it('ends their sign-in', async () => {
    const { person } = await somebody();
    const self = await club.as('swimmer');
    expect((await self('GET', '/my-week')).status).toBe(200);
    await (
      await club.as('head')
    )('DELETE', `/swimmers/${person}`);
    const [left] = await owner().execute<{ n: number }[]>(
      'select count(*)::int as n from account a left join sign_in_session s on s.account_id = a.id where a.id = ?',
      [club.accounts.swimmer!.id],
    );
    expect(left!.n).toBe(0);
  });

  it('holds against a device that was away, and against an archive from before', async () => {
    const { person, friend, session } = await somebody();
    const [head, coach] = [await club.as('head'), await club.as('coach')];
    const before = (await head('GET', '/club/archive')).body;
    expect(JSON.stringify(before)).toContain(NAME.givenName);
    await head('DELETE', `/swimmers/${person}`);

    // A device that was away sends their page again, and a run that names them.
    const again = await coach('PUT', `/swimmers/${person}`, { ...fieldsOf(club.squads[0]!, NAME), ...save() });
    expect(again.status).toBe(404);
    const events = ranBy(person, friend);
    const late = await coach('POST', `/deck/runs/${session}/events`, { events });
    expect(late).toEqual({ status: 200, body: { stored: events.length } });
    expect(await traces(NAME.givenName)).toEqual([]);
    expect(await traces(person)).toEqual([]);

    // Rows that this test put straight into the tables are not what an archive holds.
    const taken = await head('POST', '/club/archive', {
      ...before,
      sessions: before.sessions.filter((s: { id: string }) => s.id === session),
      waterDays: [],
      courses: [],
      tests: [],
      tracks: [],
      racePlans: [],
      deckEvents: before.deckEvents.filter((e: { sessionId: string }) => e.sessionId === session),
    });
    expect([taken.status, taken.body.swimmers]).toEqual([200, { added: 0, here: 1 }]);
    expect(await traces(NAME.givenName)).toEqual([]);
    expect(await traces(person)).toEqual([]);
  });

  it('tells in which texts of the coaches the name still stands', async () => {
    const { person, friend } = await somebody();
    const [head, coach] = [await club.as('head'), await club.as('coach')];
    await coach('PUT', `/sessions/${v7()}`, {
      ...sessionOf(club.squads[0]!),
      title: `With ${NAME.givenName} ${NAME.familyName}`.toLowerCase(),
      ...save(),
    });
    const { body } = await head('GET', `/swimmers/${person}/erasing`);
    const title = `with ${NAME.givenName} ${NAME.familyName} 2026-12-01`.toLowerCase();
    expect(body.named).toEqual([{ kind: 'session', title }]);
    // On the page of another swimmer, and as who calls at the water; what stands on their own page goes with it.
    const note = `Swims with ${NAME.givenName} ${NAME.familyName}`;
    for (const of of [friend, person]) await coach('PUT', `/tests/${v7()}`, { ...testOf(of), note, ...save() });
    const day = waterDayOf(v7());
    const courseId = v7();
    await coach('PUT', `/courses/${courseId}`, { ...courseOf(), ...save() });
    const group = { ...day.group, caller: `${NAME.givenName} ${NAME.familyName}` };
    expect((await coach('PUT', `/water-days/${v7()}`, { ...day, courseId, group })).status).toBe(200);
    expect((await head('GET', `/swimmers/${person}/erasing`)).body.named).toEqual([
      { kind: 'session', title },
      { kind: 'swimmer', title: 'Bram Hollowell' },
      { kind: 'water', title: '2026-07-01' },
    ]);
  });

  it('and in the name of a meet and what is said of a still', async () => {
    const { person } = await somebody();
    const [head, coach] = [await club.as('head'), await club.as('coach')];
    const squad = club.squads[0]!;
    const [swam, shown] = [
      await club.addSwimmer(squad, { givenName: 'Meet', familyName: 'Goer' }),
      await club.addSwimmer(squad, { givenName: 'Still', familyName: 'Shown' }),
    ];
    const name = `${NAME.givenName} ${NAME.familyName}`;
    const result = resultOf(swam);
    const details = { ...result.details, meet: `Cup of ${name}` };
    expect((await coach('PUT', `/results/${v7()}`, { ...result, details })).status).toBe(200);
    const clip = v7();
    await coach('PUT', `/clips/${clip}`, { ...clipOf(shown), ...save() });
    const stills = stillsOf();
    stills.stills[0]!.sentence = `Like ${name}`;
    expect((await coach('PUT', `/clips/${clip}/stills`, stills)).status).toBe(200);
    expect((await head('GET', `/swimmers/${person}/erasing`)).body.named).toEqual(
      expect.arrayContaining([
        { kind: 'swimmer', title: 'Meet Goer' },
        { kind: 'swimmer', title: 'Still Shown' },
      ]),
    );
  });

  it('is for the head coach of their club alone', async () => {
    const { swimmerId } = await stored(club);
    const stranger = await (await harness.club()).as('head');
    for (const [who, status] of [
      [await club.as('coach'), 403],
      [stranger, 404],
    ] as const) {
      expect((await who('DELETE', `/swimmers/${swimmerId}`)).status).toBe(status);
      expect((await who('GET', `/swimmers/${swimmerId}/erasing`)).status).toBe(status);
      expect((await who('GET', `/swimmers/${swimmerId}/export`)).status).toBe(status);
    }
    expect((await traces(swimmerId)).length).toBeGreaterThan(3);
    // The function looks for itself who asks.
    const [refused] = await harness.database.em
      .fork()
      .execute<{ gone: null }[]>('select erase_person(?) as gone', [swimmerId]);
    expect(refused).toEqual({ gone: null });
  });
});

describe('the file of one person', () => {
  it('holds everything about them and nothing about others', async () => {
    const { person, friend } = await somebody();
    const head = await club.as('head');
    const { status, body } = await head('GET', `/swimmers/${person}/export`);
    expect(status).toBe(200);
    expect(body).toMatchObject({
      format: 'upwell-person',
      version: 1,
      squadName: 'First',
      swimmer: { id: person, ...NAME },
    });
    expect(PERSON_PARTS.filter((part) => body[part].length === 0)).toEqual([]);
    expect(body.reviews[0]).toMatchObject({ by: expect.stringMatching(/^coach /), good: 'even kick' });
    expect(body.deckEvents).toHaveLength(7);
    const text = JSON.stringify(body);
    for (const secret of [friend, 'Bram', 'passwordHash', 'tokenHash', 'argon2', club.id])
      expect([secret, text.includes(secret)]).toEqual([secret, false]);
  });

  it('counts as a look', async () => {
    const { person } = await somebody();
    const head = await club.as('head');
    await head('GET', `/swimmers/${person}/export`);
    const { body } = await head('GET', `/looks?swimmerId=${person}`);
    expect(body.items[0]).toMatchObject({
      what: 'Everything, saved as a file',
      swimmer: `${NAME.givenName} ${NAME.familyName}`,
    });
  });
});
