// The club's own library: laid over the built-in one, used at once, and nobody else's.
import type { LibraryView } from '@upwell/contract/library';
import type { LibraryEntry } from '@upwell/core/clubLibrary';
import { drillCard, type Drill } from '@upwell/core/library';
import { CAUSES, SIGNS } from '@upwell/core/review';
import type { SessionPlan } from '@upwell/core/sessions';
import { v7 } from 'uuid';
import { shelvesOf } from '../src/platform/clubShelves';
import { planOf, reviewOf, setOf, token as makeToken } from './bodies';
import { Harness, type TestClub } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

const card: Drill = {
  ...drillCard('catch-up'),
  ...{ name: 'Mitten swim', purpose: 'A small hand lets the forearm feel the water.', cue: 'Forearm first.', kit: [] },
  ...{ from: 'build', cautions: ['Stop when a shoulder hurts.'], notWith: [], contradicts: [] },
};
const MITTEN = 'own-mitten-swim' as const;
const mitten: LibraryEntry = { kind: 'drills', key: MITTEN, body: { card, answers: ['dropped-elbow'] } };

const put = async (club: TestClub, entry: object, version = 0) =>
  (await club.as('head'))('PUT', '/library/entry', { ...entry, version, writeId: v7() });
const got = async (club: TestClub) => (await (await club.as('coach'))('GET', '/library')).body as LibraryView;
async function withMitten(): Promise<TestClub> {
  const club = await harness.club();
  const answer = await put(club, mitten);
  expect([answer.status, answer.body.detail]).toEqual([200, undefined]);
  return club;
}
const build = (club: TestClub, change: object = {}) =>
  club.as('coach').then((coach) =>
    coach('POST', '/compute/build-session', {
      ...{ theme: 'dropped-elbow', kind: 'technique', minutes: 60, poolLengthM: 25, kit: [], seed: 1 },
      groups: [{ level: 'build', v400Mps: 0.9 }],
      ...change,
    }),
  );

describe('an entry', () => {
  it('is written by the head coach, read by everybody of the club, and says who wrote it', async () => {
    const club = await withMitten();
    const { version, entries } = await got(club);
    expect(version).toBe(1);
    expect(entries).toMatchObject([{ kind: 'drills', key: MITTEN, version: 1 }]);
    expect(entries[0]!.by).not.toBe('');
    await club.addAccount('swimmer', await club.addSwimmer());
    const swimmer = await (await club.as('swimmer'))('GET', '/library');
    expect((swimmer.body as LibraryView).entries).toMatchObject([{ key: MITTEN }]);
    for (const role of ['coach', 'swimmer'] as const)
      expect(
        (await (await club.as(role))('PUT', '/library/entry', { ...mitten, version: 1, writeId: v7() })).status,
      ).toBe(403);
    expect((await (await (await harness.club()).as('head'))('GET', '/library')).body).toEqual({
      version: 0,
      entries: [],
    });
  });

  it('is applied once, and never over somebody else’s', async () => {
    const club = await harness.club();
    const save = { kind: 'causes', key: 'unease', body: { cue: 'Soft face.' }, version: 0, writeId: v7() };
    const head = await club.as('head');
    expect((await head('PUT', '/library/entry', save)).status).toBe(200);
    expect((await head('PUT', '/library/entry', save)).body).toMatchObject({ entries: [{ version: 1 }] });
    const late = await head('PUT', '/library/entry', { ...save, body: { cue: 'Other.' }, writeId: v7() });
    expect([late.status, late.body.current]).toMatchObject([409, { body: { cue: 'Soft face.' }, version: 1 }]);
    expect((await put(club, { ...save, body: { cue: 'Long neck.' } }, 1)).status).toBe(200);
  });

  it('of two heads at once is one, and the other is told', async () => {
    const club = await harness.club();
    const cues = ['One.', 'Two.', 'Three.', 'Four.'];
    const answers = await Promise.all(
      cues.map((cue) => put(club, { kind: 'causes', key: 'unease', body: { cue: `${cue} now` } })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409]);
  });

  it('goes back to the built-in, and comes again', async () => {
    const club = await harness.club();
    const cue = { kind: 'causes', key: 'unease', body: { cue: 'Soft face.' } };
    await put(club, cue);
    expect((await put(club, { ...cue, body: null }, 1)).body).toMatchObject({ entries: [{ body: null, version: 2 }] });
    expect((await put(club, cue, 2)).body).toMatchObject({ entries: [{ body: { cue: 'Soft face.' }, version: 3 }] });
  });
});

describe('what is refused', () => {
  const unsafe = (change: Partial<Drill>) => ({
    ...mitten,
    body: { card: { ...card, ...change }, answers: ['dropped-elbow'] },
  });
  it.each([
    ['metres on the spot', unsafe({ places: ['shallow'] }), 'body.dose', /never in metres/],
    ['no place', unsafe({ places: [] }), 'body.places', /Say where it is done/],
    [
      'a distance under water',
      unsafe({ steps: ['Swim 15 m under water.'] }),
      'body.steps',
      /faint there without a warning/,
    ],
    ['a held breath', unsafe({ cue: 'Hold your breath.' }), 'body.cue', /say when to breathe/],
    ['a name that is taken', unsafe({ name: 'Chest lean' }), 'body.name', /already/],
    [
      'an unsafe cue',
      { kind: 'causes', key: 'holds-breath', body: { cue: 'No breath off the wall.' } },
      'body.cue',
      /faint/,
    ],
    [
      'a looser built-in card',
      { kind: 'drills', key: 'chest-lean', body: { card: { ...drillCard('chest-lean'), cautions: ['Careful.'] } } },
      'body.cautions',
      /stays/,
    ],
    [
      'a level that is another one',
      { kind: 'levels', key: 'race', body: { name: 'Hold', metresPerHour: [2000, 3000] } },
      'body.name',
      /Another level/,
    ],
  ])('%s', async (_what, entry, field, message) => {
    const { status, body } = await put(await harness.club(), entry);
    expect([status, body.fields?.[0]?.field]).toEqual([422, field]);
    expect(body.fields![0]!.message).toMatch(message);
  });

  it.each([
    ['a cue of 5,000 characters', { kind: 'causes', key: 'unease', body: { cue: 'x'.repeat(5000) } }],
    ['a drill without a card', { kind: 'drills', key: 'own-nothing', body: { answers: ['unease'] } }],
    ['an id with digits', { ...mitten, key: 'own-4-3-2' }],
    ['an id of the system', { ...mitten, key: 'constructor' }],
    ['another kind', { kind: 'models', key: 'long-line', body: {} }],
    ['a sign that is none', { kind: 'signs', key: 'nothing', body: { seen: 'x y' } }],
    ['a card with more than it holds', unsafe({ secret: 1 } as never)],
    ['a card of a thousand steps', unsafe({ steps: Array.from({ length: 1000 }, () => 'Swim.') })],
    ['a band of three', { kind: 'bands', key: 'legs-low', body: { 'long-line': [1, 2, 3] } }],
    ['no body', { kind: 'signs', key: 'gasps' }],
  ])('in its shape: %s', async (_what, entry) => {
    expect((await put(await harness.club(), entry)).status).toBe(400);
  });

  it('a drill of another club, wherever it is named', async () => {
    await withMitten();
    const other = await harness.club();
    const coach = await other.as('coach');
    const session = {
      title: 'A',
      date: '2026-12-01',
      startTime: '19:00',
      squadIds: [other.squads[0]],
      courseId: null,
      version: 0,
    };
    const plan = planOf([setOf({ drill: MITTEN } as never)]);
    expect((await coach('PUT', `/sessions/${v7()}`, { ...session, plan, writeId: v7() })).status).toBe(400);
    const swimmer = await other.addSwimmer();
    const review = reviewOf(swimmer);
    const answer = await coach('PUT', `/reviews/${v7()}`, {
      ...review,
      focus: { ...review.focus, drill: MITTEN },
      version: 0,
      writeId: v7(),
    });
    expect(answer.status).toBe(400);
  });
});

describe('a drill of the club itself', () => {
  it('is planned, read in a text and stored in its club, and in no other', async () => {
    const club = await withMitten();
    const built = await build(club);
    expect(built.status).toBe(200);
    expect(JSON.stringify(built.body)).toContain(MITTEN);
    expect(JSON.stringify((await build(await harness.club())).body)).not.toContain(MITTEN);

    const text = 'pool: 25 m\n== A\nlevel: build\ndrills\n4 x 25 drill own-mitten-swim rest 20';
    const read = async (of: TestClub) =>
      (await (await of.as('coach'))('POST', '/compute/session-text', { text, poolLengthM: 25 })).body as {
        problems: unknown[];
      };
    expect((await read(club)).problems).toEqual([]);
    expect((await read(await harness.club())).problems).not.toEqual([]);

    const coach = await club.as('coach');
    const id = v7();
    const plan = planOf([setOf({ drill: MITTEN, lengths: 1 } as never)]) as SessionPlan;
    const session = {
      title: 'A',
      date: '2026-12-01',
      startTime: '19:00',
      squadIds: [club.squads[0]],
      courseId: null,
      plan,
    };
    const stored = await coach('PUT', `/sessions/${id}`, { ...session, version: 0, writeId: v7() });
    expect([stored.status, stored.body.detail]).toEqual([200, undefined]);
    const sheet = await harness.app.inject({
      url: `/api/v1/sessions/${id}/sheet.pdf`,
      cookies: { upwell_session: club.cookie('coach') },
    });
    expect(sheet.statusCode).toBe(200);

    // It stands in a session: its card stays, and it can be hidden.
    const gone = await put(club, { ...mitten, body: null }, 1);
    expect([gone.status, gone.body.detail]).toEqual([
      422,
      'It stands in 1 session. Hide it instead: it is then no longer planned.',
    ]);
    expect((await put(club, { ...mitten, body: { ...mitten.body, hidden: true } }, 1)).status).toBe(200);
    expect(JSON.stringify((await build(club)).body)).not.toContain(MITTEN);
    expect((await coach('GET', `/sessions/${id}`)).status).toBe(200);
  });

  it('is on the hand-out of a swimmer, also behind a link', async () => {
    const club = await withMitten();
    const coach = await club.as('coach');
    const swimmer = await club.addSwimmer();
    const review = reviewOf(swimmer);
    const focus = { ...review.focus, id: v7(), cause: 'dropped-elbow', drill: MITTEN, cue: card.cue };
    const stored = await coach('PUT', `/reviews/${v7()}`, { ...review, focus, version: 0, writeId: v7() });
    expect([stored.status, stored.body.detail]).toEqual([200, undefined]);
    const page = (await coach('GET', `/focuses/${focus.id}/handout`)).body as {
      drill: { name: string };
      cautions: string[];
    };
    expect(page).toMatchObject({ drill: { name: 'Mitten swim' }, cautions: ['Stop when a shoulder hurts.'] });
    const secret = makeToken();
    await coach('PUT', `/handout-links/${v7()}`, { focusId: focus.id, token: secret });
    const open = await harness.app.inject({ url: `/api/v1/handouts/${secret}` });
    expect(open.json()).toMatchObject({ drill: { name: 'Mitten swim' } });
    const used = await put(club, { ...mitten, body: null }, 1);
    expect(used.body.detail).toContain('1 focus');

    // Hidden meanwhile: what is worked on with it goes on.
    expect((await put(club, { ...mitten, body: { ...mitten.body, hidden: true } }, 1)).status).toBe(200);
    const words = { saidBack: 'forearm', felt: '', relookOn: '2026-12-08', version: 1, writeId: v7() };
    const kept = await coach('PUT', `/focuses/${focus.id}`, { ...words, drill: MITTEN });
    expect([kept.status, kept.body.detail]).toEqual([200, undefined]);
    const tried = { drill: MITTEN, verdict: 'better', note: '', at: '2026-11-28T18:00:00Z' };
    expect((await coach('PUT', `/focuses/${focus.id}/tries/${v7()}`, tried)).status).toBe(200);
  });

  it('that stands nowhere can be taken out', async () => {
    const club = await withMitten();
    expect((await put(club, { ...mitten, body: null }, 1)).status).toBe(200);
    expect(JSON.stringify((await build(club)).body)).not.toContain(MITTEN);
  });

  it('does not leave a cause without a drill', async () => {
    const club = await harness.club();
    const own = { ...mitten, body: { card, answers: ['shallow-pull'] } };
    await put(club, own);
    for (const key of CAUSES['shallow-pull'].answers)
      expect((await put(club, { kind: 'drills', key, body: { hidden: true } })).status).toBe(200);
    const answer = await put(club, { ...mitten, body: null }, 1);
    expect([answer.status, answer.body.fields?.[0]?.message]).toEqual([
      422,
      expect.stringContaining('only drill left for “Shallow pull”'),
    ]);
  });
});

describe('words and strengths of the club', () => {
  it('weigh in its reviews alone', async () => {
    const club = await harness.club();
    const look = { stroke: 'front-crawl', model: 'long-line', level: 'build', signs: { 'legs-low': 'often' } };
    const chance = async (of: TestClub) => {
      const { body } = await (await of.as('coach'))('POST', '/compute/causes', look);
      return (body as { ranking: { cause: string; probability: number }[] }).ranking.find(
        ({ cause }) => cause === 'soft-core',
      )!.probability;
    };
    const before = await chance(club);
    await put(club, { kind: 'links', key: 'soft-core', body: { 'legs-low': 'strong' } });
    expect(await chance(club)).toBeGreaterThan(before);
    expect(await chance(await harness.club())).toBe(before);
  });

  it('are there from the next request on, for what runs in the background too', async () => {
    const club = await harness.club();
    expect((await shelvesOf(harness.database, club.id)).shelves).toEqual({});
    await put(club, { kind: 'signs', key: 'gasps', body: { seen: 'gasps for air' } });
    expect((await shelvesOf(harness.database, club.id)).shelves).toEqual({
      signs: { gasps: { seen: 'gasps for air' } },
    });
    expect(SIGNS.gasps.seen).not.toBe('gasps for air');
  });
});

describe('a library as a file', () => {
  const file = async (club: TestClub) => {
    await club.as('coach');
    return (
      await harness.app.inject({ url: '/api/v1/library/file', cookies: { upwell_session: club.cookie('coach') } })
    ).json<{ format: string; entries: LibraryEntry[] }>();
  };

  it('holds what the club has, and comes into another one whole, once', async () => {
    const club = await withMitten();
    await put(club, { kind: 'causes', key: 'unease', body: { cue: 'Soft face.' } });
    await put(club, { kind: 'causes', key: 'spins', body: { cue: 'Long and slow.' } });
    await put(club, { kind: 'causes', key: 'spins', body: null }, 1);
    const { format, entries } = await file(club);
    expect(format).toBe('upwell-library');
    expect(entries.map(({ kind, key }) => `${kind}/${key}`).sort()).toEqual(['causes/unease', `drills/${MITTEN}`]);

    const other = await harness.club();
    const head = await other.as('head');
    const coming = { entries, version: 0, writeId: v7() };
    expect((await head('POST', '/library/import', coming)).status).toBe(200);
    expect((await head('POST', '/library/import', coming)).status).toBe(200);
    const view = await got(other);
    expect(view.entries.map(({ version }) => version)).toEqual([1, 1]);
    expect((await build(other)).body).toEqual((await build(club)).body);
  });

  it('comes in on what was looked at, safe, or not at all', async () => {
    const club = await withMitten();
    const head = await club.as('head');
    const bring = (entries: readonly object[], version: number) =>
      head('POST', '/library/import', { entries, version, writeId: v7() });
    const cue = { kind: 'causes', key: 'unease', body: { cue: 'Soft face.' } };
    expect((await bring([cue], 0)).status).toBe(409);
    const bad = {
      kind: 'drills',
      key: 'own-tunnel',
      body: { card: { ...card, name: 'Tunnel', steps: ['25 m under water.'] }, answers: ['spins'] },
    };
    const refused = await bring([cue, bad], 1);
    expect([refused.status, refused.body.fields?.[0]?.field]).toEqual([422, 'drills/own-tunnel.steps']);
    expect((await bring([cue, cue], 1)).status).toBe(400);
    expect((await bring([], 1)).status).toBe(400);
    expect((await got(club)).version).toBe(1);
    // Over one's own drill, as it was settled.
    expect(
      (await bring([{ ...mitten, body: { ...mitten.body, card: { ...card, cue: 'Small hand.' } } }], 1)).status,
    ).toBe(200);
    expect((await got(club)).entries).toMatchObject([
      { key: MITTEN, version: 2, body: { card: { cue: 'Small hand.' } } },
    ]);
  });
});
