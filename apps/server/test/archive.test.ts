import { ARCHIVE_PARTS, type ArchivePart, type ClubArchive } from '@upwell/contract/archive';
import type { LibraryView } from '@upwell/contract/library';
import type { Experience } from '@upwell/core/review';
import { v7 } from 'uuid';
import { CLUB_ID } from '../demo/shared';
import { seedDemo } from '../demo/seedDemo';
import { archiveText } from '../src/archive/service';
import { PART_TABLES } from '../src/archive/tables';
import { asIdentity } from '../src/platform/database';
import { clipOf } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let demo: ClubArchive;
beforeAll(async () => {
  harness = await Harness.start();
  // A whole club with a bit of everything, from a database of its own.
  await harness.inOwnDatabase(async (owner) => {
    const em = owner.em.fork();
    await seedDemo(em, new Date('2026-11-25T09:00:00Z'));
    const [head] = await em.execute<{ id: string }[]>(`select id from account where role = 'head'`);
    const CLOCK = { timeZone: 'UTC', units: 'm', libraryVersion: 0, swimmerId: null } as const;
    const me = { clubId: CLUB_ID, accountId: head!.id, role: 'head', name: '', clubName: '', ...CLOCK } as const;
    let text = '';
    for await (const piece of archiveText(em, me)) text += piece;
    demo = JSON.parse(text) as ClubArchive;
  });
});
afterAll(() => harness.stop());

const sum = (taken: Readonly<Record<ArchivePart, { added: number }>>) =>
  ARCHIVE_PARTS.reduce((total, part) => total + taken[part].added, 0);
const counted = (archive: ClubArchive) => Object.fromEntries(ARCHIVE_PARTS.map((part) => [part, archive[part].length]));
/** Rows of a part without their ids, in an order that does not hang on them; what is listed by id is counted. */
const content = (archive: ClubArchive, part: ArchivePart) =>
  archive[part]
    .map((row) =>
      JSON.stringify(row)
        .replace(/"expectedS":\{([^}]*)\}/g, (_, listed: string) => `"expectedS":${listed.split(',').length}`)
        .replace(/"coachIds":\[[^\]]*\]/g, '"coachIds":[]')
        .replace(/"[0-9a-f]{8}-[0-9a-f-]{27}"/g, '"id"'),
    )
    .sort();

async function taken(owner: TestClub, archive: object) {
  return (await owner.as('head'))('POST', '/club/archive', archive);
}

describe('the archive of a club', () => {
  it('holds something of every part of the demo club', () => {
    for (const part of ARCHIVE_PARTS) expect({ part, rows: demo[part].length > 0 }).toEqual({ part, rows: true });
    expect(JSON.stringify(demo)).not.toMatch(/password|token/i);
  });

  it('brings the whole club into another one, and nothing twice', async () => {
    const club = await harness.club();
    const first = await taken(club, demo);
    expect(first.status).toBe(200);
    for (const part of ARCHIVE_PARTS)
      expect({ part, ...first.body[part] }).toEqual({ part, added: demo[part].length, here: 0 });

    const head = await club.as('head');
    const back = (await head('GET', '/club/archive')).body as ClubArchive;
    // Its own first squad, its head coach and its coach were there before.
    const more = { squads: demo.squads.length + 1, accounts: demo.accounts.length + 2 };
    expect(counted(back)).toEqual({ ...counted(demo), ...more });
    const squads = back.squads.filter((s) => (s as { name: string }).name !== 'First');
    const own = Object.values(club.accounts).map((a) => a.id);
    const accounts = back.accounts.filter((a) => !own.includes((a as { id: string }).id));
    for (const part of ARCHIVE_PARTS) {
      const there = content(demo, part);
      const different = content({ ...back, squads, accounts }, part).findIndex((row, i) => row !== there[i]);
      expect({ part, different }).toEqual({ part, different: -1 });
    }
    expect(back.rules).toEqual(demo.rules);

    const again = await taken(club, demo);
    expect(again.status).toBe(200);
    expect(sum(again.body)).toBe(0);

    // What is worked out from the events of the deck is there as well.
    const [count] = await harness.owner.em.fork().execute<{ reps: number; heads: number }[]>(
      `select (select count(*)::int from swim_rep where club_id = ?) as reps,
              (select count(*)::int from attendance where club_id = ?) as heads`,
      [club.id, club.id],
    );
    expect(count!.reps).toBeGreaterThan(100);
    expect(count!.heads).toBeGreaterThan(10);
  });

  it('brings a library that can be changed where it came', async () => {
    const club = await harness.club();
    expect((await taken(club, demo)).status).toBe(200);
    const head = await club.as('head');
    const entries = ((await head('GET', '/library')).body as LibraryView).entries;
    expect(entries.length).toBe(demo.library.length);
    for (const { kind, key, body, version } of entries) {
      const save = { kind, key, body, version, writeId: v7() };
      expect([key, (await head('PUT', '/library/entry', save)).status]).toEqual([key, 200]);
    }
  });

  it('of a time when nothing was counted is counted when it comes; what is counted here stays', async () => {
    const isExperience = (row: unknown) => (row as { kind: string }).kind === 'experience';
    const counts = (demo.library.find(isExperience) as unknown as { body: Experience }).body;
    const old = { ...demo, library: demo.library.filter((row) => !isExperience(row)) };
    const club = await harness.club();
    const experience = async () => {
      const { entries } = (await (await club.as('head'))('GET', '/library')).body as LibraryView;
      return entries.filter(({ kind }) => kind === 'experience').map(({ body }) => body);
    };
    expect((await taken(club, { ...old, reviews: [], focuses: [], tries: [] })).status).toBe(200);
    expect(await experience()).toEqual([]);
    expect((await taken(club, old)).status).toBe(200);
    expect(await experience()).toEqual([counts]);
    expect((await taken(club, old)).status).toBe(200);
    expect((await taken(club, demo)).status).toBe(200);
    expect(await experience()).toEqual([counts]);
  });

  it('keeps who did and signed what by name, and lets none of them in', async () => {
    const club = await harness.club();
    expect((await taken(club, demo)).status).toBe(200);
    const head = await club.as('head');
    const names = new Map((demo.accounts as { id: string; name: string }[]).map((a) => [a.id, a.name]));
    const em = harness.owner.em.fork();
    for (const [table, column, rows] of [
      ['water_day', 'signed_by', demo.waterDays],
      ['review', 'coach_id', demo.reviews],
      ['deck_event', 'noted_by', demo.deckEvents],
      ['training_session', 'created_by', demo.sessions],
      ['test_result', 'noted_by', demo.tests],
      ['clip', 'coach_id', demo.clips],
      ['swum_track', 'noted_by', demo.tracks],
    ] as const) {
      const field = column.replace(/_(\w)/, (_, letter: string) => letter.toUpperCase());
      const then = (rows as Record<string, string>[]).map((row) => names.get(row[field]!)).sort();
      const now = await em.execute<{ name: string }[]>(
        `select a.name from ${table} t join account a on a.id = t.${column} where t.club_id = ?`,
        [club.id],
      );
      expect([table, now.map((row) => row.name).sort()]).toEqual([table, then]);
    }
    const day = demo.waterDays[0] as { courseId: string; signedBy: string };
    const courses = (await head('GET', '/courses')).body as { id: string }[];
    const days = await Promise.all(courses.map((c) => head('GET', `/courses/${c.id}/days`)));
    expect(days.flatMap((d) => d.body.map((one: { signedBy: string }) => one.signedBy))).toContain(
      names.get(day.signedBy),
    );

    // They are names: nobody signs in as one, and no squad is given to one.
    const authors = await em.execute<{ email: string; disabled: boolean; role: string; password_hash: string }[]>(
      `select email, disabled, role, password_hash from account where club_id = ? and email like '%.invalid'`,
      [club.id],
    );
    expect(authors.length).toBe(demo.accounts.length);
    for (const author of authors) {
      expect(author).toMatchObject({ disabled: true, role: 'coach', password_hash: '' });
      const payload = { email: author.email, password: '' };
      for (const password of ['', 'quiet-water-demo', 'x']) {
        const answer = await harness.app.inject({
          method: 'POST',
          url: '/api/v1/account/sign-in',
          payload: { ...payload, password },
        });
        expect([400, 401, 429]).toContain(answer.statusCode);
      }
    }
    expect((await head('GET', '/coaches')).body).toHaveLength(2);
    // A coach cannot make people, whatever they send to the database.
    const who = { accountId: club.accounts.coach!.id, clubId: club.id, role: 'coach', swimmerId: null, squadIds: [] };
    const made = await asIdentity(harness.database, who, (own) =>
      own.execute('select take_in_authors(?::jsonb)', [JSON.stringify([{ id: v7(), name: 'Made up' }])], 'all'),
    );
    expect(made).toEqual([]);
  });

  it('forgets no column of the database without saying why', async () => {
    const everywhere = ['club_id', 'version', 'write_id'];
    /** What is not in an archive, and why. */
    const leftOut: Readonly<Record<string, string>> = {
      'course.removed_at': 'what was taken out comes along, for what was swum on it',
      'account.email': 'a way to sign in',
      'account.role': 'a way to sign in',
      'account.password_hash': 'a secret',
      'account.swimmer_id': 'a way to sign in',
      'account.disabled': 'everybody who comes from a file is',
      'deck_event.seq': 'the order of arrival, which is that of the file',
      'result.import_id': 'an import of another database cannot be undone here',
      'training_session.theme': 'worked out from the plan',
      'training_session.minutes': 'worked out from the plan',
      'training_session.summary': 'worked out from the plan',
      'training_session.done_summary': 'worked out from what was done',
      'swimmer.search_name': 'worked out from the name',
      'swimmer.roster_id': 'a list of another database cannot be taken back here',
      'squad.roster_id': 'a list of another database cannot be taken back here',
      'test_result.kind': 'worked out from the input',
      'test_result.outcome': 'worked out from the input',
      'clip.stills': 'agreed to for a hand-out of this club, not for a file',
      'clip.stills_agreed_at': 'goes with the stills',
      'course.length_m': 'worked out from the course',
      'swum_track.summary': 'worked out from the points',
    };
    const tablesLeftOut: Readonly<Record<string, string>> = {
      club: 'its name and rules stand at the head of the file',
      access_log: 'a log of this database',
      attendance: 'worked out from the events on deck',
      calendar_link: 'a secret',
      club_job: 'work of this database',
      deck_sign: 'worked out from the events on deck',
      erased: 'says nothing of anybody',
      eye_try: 'the training of a coach, who is not in the file',
      handout_link: 'a secret',
      mikro_orm_migrations: 'of this database',
      race_outlook: 'worked out again every night',
      result_chunk: 'on its way in',
      result_import: 'an import of another database cannot be undone here',
      setup: 'a secret',
      sent_clip: 'on its way to an answer, and gone a month after it',
      sent_piece: 'goes with the clip',
      sign_in_session: 'a secret',
      roster_import: 'a list of another database cannot be taken back here',
      invitation: 'a secret',
      password_reset: 'a secret',
      squad_coach: 'the coaches of each squad',
      swim_rep: 'worked out from the events on deck',
    };
    const columns = await harness.owner.em.fork().execute<{ of: string; name: string }[]>(
      `select table_name as of, column_name as name from information_schema.columns
       where table_schema = 'public' order by 1, 2`,
    );
    const held = new Map(Object.values(PART_TABLES).map((part) => [part.table, ['id', ...part.columns]]));
    held.set('deck_event', ['id', 'session_id', 'noted_by', 'device', 'at_ms', 'fact']);
    const forgotten = columns
      .filter(({ of, name }) => !(of in tablesLeftOut) && !everywhere.includes(name) && !held.get(of)?.includes(name))
      .map(({ of, name }) => `${of}.${name}`);
    expect(forgotten.sort()).toEqual(Object.keys(leftOut).sort());
    // No reason for what is not there.
    expect(Object.keys(tablesLeftOut).filter((table) => !columns.some((c) => c.of === table))).toEqual([]);
  });

  it('puts back what was lost and leaves alone what is there', async () => {
    const club = await harness.club();
    const id = await club.addSwimmer(undefined, { givenName: 'Oda' });
    const head = await club.as('head');
    const saved = (await head('GET', '/club/archive')).body as ClubArchive;
    const em = harness.owner.em.fork();
    await em.execute('update swimmer set given_name = ? where id = ?', ['Odalys', id]);
    const lost = v7();
    const swimmer = { ...(saved.swimmers[0] as object), id: lost, givenName: 'Lost' };
    const answer = await taken(club, { ...saved, swimmers: [...saved.swimmers, swimmer] });
    expect(answer.body.swimmers).toEqual({ added: 1, here: 1 });
    expect((await head('GET', `/swimmers/${id}`)).body.givenName).toBe('Odalys');
    expect((await head('GET', `/swimmers/${lost}`)).body.givenName).toBe('Lost');
    expect((await head('GET', '/swimmers?search=lost')).body.items).toHaveLength(1);
  });

  it('brings back a decision whose course was taken out since', async () => {
    const club = await harness.club();
    const alone = demo.waterDays.map((day) => ({ ...(day as object), courseId: null }));
    const answer = await taken(club, { ...demo, waterDays: alone });
    expect(answer.body.waterDays).toEqual({ added: alone.length, here: 0 });
  });

  it('takes nothing of an archive with a bad row, and says which', async () => {
    const club = await harness.club();
    const bad = { ...demo, results: [...demo.results.slice(0, 3), { ...(demo.results[3] as object), timeS: 1 }] };
    const answer = await taken(club, bad);
    expect(answer.status).toBe(422);
    expect(answer.body.fields[0].field).toMatch(/^results\[3\]/);
    const head = await club.as('head');
    expect((await head('GET', '/swimmers')).body.items).toEqual([]);
  });

  it.each([
    ['a reference to nothing', (a: ClubArchive) => ({ ...a, swimmers: [] }), 422],
    ['another format', (a: ClubArchive) => ({ ...a, format: 'other' }), 400],
    ['a missing part', ({ results: _, ...a }: ClubArchive) => a, 400],
    ['no object', () => ({ rows: [] }), 400],
  ])('refuses %s and stores nothing', async (_name, change, status) => {
    const club = await harness.club();
    const answer = await taken(club, change(demo));
    expect(answer.status).toBe(status);
    const head = await club.as('head');
    expect((await head('GET', '/squads')).body).toHaveLength(1);
  });

  it('refuses a clip of a child whose guardian has not agreed', async () => {
    const club = await harness.club();
    const of = (demo.clips[0] as { swimmerId: string }).swimmerId;
    const swimmers = demo.swimmers.map((row) =>
      (row as { id: string }).id === of
        ? { ...(row as object), birthYear: new Date().getFullYear() - 12, clipConsent: false }
        : row,
    );
    const answer = await taken(club, { ...demo, swimmers });
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toContain('has not agreed to clips');
  });

  it.each([
    ['without the child', () => ({})],
    ['with a word of the guardian that is not noted here', (row: object) => ({ ...row, clipConsent: true })],
  ])('refuses a clip of a child who is here, from a file %s', async (_name, claim) => {
    const club = await harness.club();
    for (const birthYear of [new Date().getFullYear() - 10, null]) {
      const child = await club.addSwimmer(undefined, { birthYear, clipConsent: false });
      const head = await club.as('head');
      const { body: own } = (await head('GET', '/club/archive')) as { body: ClubArchive };
      const swimmers = own.swimmers
        .filter((row) => (row as { id: string }).id === child)
        .map((row) => claim(row as object));
      const clips = [{ id: v7(), coachId: club.accounts.head!.id, ...clipOf(child) }];
      const answer = await taken(club, { ...own, swimmers: swimmers.filter((row) => 'id' in row), clips });
      expect([answer.status, answer.body.detail]).toEqual([422, expect.stringContaining('not agreed to clips')]);
      const kept = await harness.owner.em.fork().execute('select id from clip where swimmer_id = ?', [child]);
      expect(kept).toEqual([]);
    }
  });

  it('is for the head coach only, and logs the looks at children', async () => {
    const club = await harness.club();
    const child = await club.addSwimmer(undefined, { birthYear: new Date().getFullYear() - 10 });
    await club.addSwimmer();
    for (const method of ['GET', 'POST'] as const)
      expect(
        (await (await club.as('coach'))(method, '/club/archive', method === 'POST' ? demo : undefined)).status,
      ).toBe(403);
    await (
      await club.as('head')
    )('GET', '/club/archive');
    const looks = await harness.owner.em
      .fork()
      .execute<{ swimmer_id: string }[]>('select swimmer_id from access_log where club_id = ?', [club.id]);
    expect(looks.map((l) => l.swimmer_id)).toEqual([child]);
  });
});
