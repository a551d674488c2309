import { ARCHIVE_PARTS, type ArchivePart, type ClubArchive } from '@upwell/contract/archive';
import { v7 } from 'uuid';
import { CLUB_ID } from '../demo/shared';
import { seedDemo } from '../demo/seedDemo';
import { archiveText } from '../src/archive/service';
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
    const me = { clubId: CLUB_ID, accountId: head!.id, role: 'head', name: '', clubName: '', swimmerId: null } as const;
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
    // Its own first squad was there before.
    expect(counted(back)).toEqual({ ...counted(demo), squads: demo.squads.length + 1 });
    const own = back.squads.filter((s) => (s as { name: string }).name !== 'First');
    for (const part of ARCHIVE_PARTS) {
      const there = content(demo, part);
      const different = content({ ...back, squads: own }, part).findIndex((row, i) => row !== there[i]);
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
