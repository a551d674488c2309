import type { RosterDone, RosterPreview } from '@upwell/contract/roster';
import { v7 } from 'uuid';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
type Caller = Awaited<ReturnType<TestClub['as']>>;
let head: Caller;
let coach: Caller;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());
beforeEach(async () => {
  club = await harness.club();
  [head, coach] = [await club.as('head'), await club.as('coach')];
});

const ask = (text: string, change: object = {}) => ({
  ...{ id: v7(), name: 'Members.csv', text, mapping: null, squad: '', level: 'settle', ...change },
});
const look = async (who: Caller, body: object) => (await who('POST', '/roster/preview', body)).body as RosterPreview;
const commit = async (who: Caller, body: object) => (await who('POST', '/roster/commit', body)).body as RosterDone;
const swimmers = async (search = '') =>
  (await head('GET', `/swimmers?limit=100&search=${encodeURIComponent(search)}`)).body.items as {
    id: string;
    givenName: string;
    squadName: string;
    level: string;
  }[];
const squads = async () => ((await head('GET', '/squads')).body as { name: string }[]).map((s) => s.name).sort();
const LIST = `First name,Last name,Born,Squad,Level,E-mail,100 free
Łukasz,Dvořák,2012,Juniors,Hold,home@dvorak.example,1:12.4
Zoë,Šahin,2014,juniors,,,
Bram,Halloran,1984,First,4,,1:05`;

describe('a list of swimmers', () => {
  it('is looked at first, stored once, squads and all', async () => {
    const body = ask(LIST);
    const seen = await look(head, body);
    expect(seen.newSquads).toEqual(['Juniors']);
    expect(seen.rows.map((l) => [l.squad, l.newSquad, l.level, l.problems])).toEqual([
      ['Juniors', true, 'hold', []],
      ['Juniors', true, 'settle', []],
      ['First', false, 'race', []],
    ]);
    // Nothing of it is here yet.
    expect(await swimmers()).toEqual([]);

    const answers = await Promise.all([1, 2, 3].map(() => commit(head, { id: body.id })));
    for (const done of answers)
      expect(done).toMatchObject({ name: 'Members.csv', swimmers: 3, squads: 1, undoneAt: null, mail: false });
    expect(answers[0]!.addresses).toEqual([{ swimmerId: expect.any(String), email: 'home@dvorak.example' }]);
    expect(await squads()).toEqual(['First', 'Juniors']);
    const all = await swimmers();
    expect(all.map((s) => [s.givenName, s.squadName, s.level])).toEqual([
      ['Łukasz', 'Juniors', 'hold'],
      ['Bram', 'First', 'race'],
      ['Zoë', 'Juniors', 'settle'],
    ]);
    const { body: page } = await head('GET', `/swimmers/${all[0]!.id}`);
    expect(page).toMatchObject({
      ...{ birthYear: 2012, bestTimes: [{ distanceM: 100, timeS: 72.4 }], healthFlags: [], clipConsent: false },
      ...{ version: 1, goal: null, archived: false, strokeModel: expect.any(String) },
    });
    // Opened like any other, and saved again.
    const {
      id: _id,
      squadName: _s,
      child: _c,
      focuses: _f,
      reviews: _r,
      results: _e,
      clips: _l,
      ladderLog: _g,
      ...fields
    } = page;
    expect((await head('PUT', `/swimmers/${all[0]!.id}`, { ...fields, writeId: v7() })).status).toBe(200);
  });

  it('finds people whatever their accents', async () => {
    const body = ask(LIST);
    await look(head, body);
    await commit(head, { id: body.id });
    for (const [search, given] of [
      ['lukasz', 'Łukasz'],
      ['LUKASZ DVORAK', 'Łukasz'],
      ['łuk', 'Łukasz'],
      ['sahin', 'Zoë'],
    ] as const)
      expect((await swimmers(search)).map((s) => s.givenName)).toEqual([given]);
  });

  it('knows who is here already and who stands in it twice, and takes them only when told to', async () => {
    await club.addSwimmer(undefined, { givenName: 'Bram', familyName: 'Halloran', birthYear: null });
    await harness.owner.em
      .fork()
      .execute(`update swimmer set search_name = 'bram halloran' where club_id = ?`, [club.id]);
    const body = ask(`${LIST}\nBRAM,Hallorán,1984,First,,,\nZoe,Sahin,,Juniors,,,`);
    const seen = await look(head, body);
    expect(seen.rows.map((l) => [l.existing?.name ?? null, l.sameAs])).toEqual([
      [null, null],
      [null, null],
      ['Bram Halloran', null],
      ['Bram Halloran', 4],
      [null, 3],
    ]);
    const done = await commit(head, { id: body.id, without: [2], also: [6] });
    expect(done.swimmers).toBe(2);
    expect((await swimmers()).map((s) => s.givenName).sort()).toEqual(['Bram', 'Zoe', 'Zoë']);
    // The same file another time brings nobody.
    const again = ask(LIST);
    const known = (await look(head, again)).rows.map((l) => l.existing !== null);
    expect(known).toEqual([false, true, true]);
    await commit(head, { id: again.id });
    const third = ask(LIST);
    await look(head, third);
    const none = await head('POST', '/roster/commit', { id: third.id });
    expect([none.status, none.body.detail]).toEqual([422, 'No line of this list can be imported. Nothing was stored.']);
  });

  it('is taken back whole: squads too, and nobody that somebody has worked with', async () => {
    const body = ask(LIST);
    await look(head, body);
    await commit(head, { id: body.id });
    const [first] = await swimmers('lukasz');
    expect(
      (
        await head('PUT', `/results/${v7()}`, {
          swimmerId: first!.id,
          on: '2026-11-01',
          distanceM: 100,
          timeS: 80,
          strokesPerLength: null,
          kind: 'trial',
        })
      ).status,
    ).toBe(200);
    const undone = (await head('POST', `/roster/${body.id}/undo`)).body;
    expect(undone).toMatchObject({ swimmers: 3, removed: 2, undoneAt: expect.any(String) });
    expect((await swimmers()).map((s) => s.givenName)).toEqual(['Łukasz']);
    expect(await squads()).toEqual(['First', 'Juniors']);
    // Twice is once.
    expect((await head('POST', `/roster/${body.id}/undo`)).body).toEqual(undone);

    const other = ask('First name,Last name,Squad\nOda,Quarrel,Masters');
    await look(head, other);
    await commit(head, { id: other.id });
    expect(await squads()).toContain('Masters');
    expect((await head('POST', `/roster/${other.id}/undo`)).body.removed).toBe(1);
    expect(await squads()).not.toContain('Masters');
    expect(((await head('GET', '/roster')).body as object[]).length).toBe(2);
  });

  it('without squads waits for one that is chosen for all of it', async () => {
    const text = 'Ada Lindqvale\nBram Halloran';
    const waiting = ask(text);
    expect((await look(head, waiting)).rows.map((l) => [l.squad, l.problems, l.levelOfAll])).toEqual([
      ['', [], true],
      ['', [], true],
    ]);
    expect((await head('POST', '/roster/commit', { id: waiting.id })).status).toBe(422);
    const chosen = await look(head, { ...waiting, squad: ' Masters ', level: 'hold' });
    expect([chosen.newSquads, chosen.rows.map((l) => [l.squad, l.level])]).toEqual([
      ['Masters'],
      [
        ['Masters', 'hold'],
        ['Masters', 'hold'],
      ],
    ]);
    expect(await commit(head, { id: waiting.id })).toMatchObject({ swimmers: 2, squads: 1 });
  });

  it('comes from a program as rows, with the id that the server gives it', async () => {
    const seen = await look(head, { rows: [{ given: 'Odette', family: 'Quarrel', born: 2013, squad: 'Juniors' }] });
    expect(seen).toMatchObject({ id: expect.stringMatching(/^[0-9a-f-]{36}$/), newSquads: ['Juniors'] });
    expect(seen.rows[0]).toMatchObject({ line: 2, given: 'Odette', family: 'Quarrel', birthYear: 2013, problems: [] });
    expect(await commit(head, { id: seen.id })).toMatchObject({ swimmers: 1, squads: 1 });
    for (const wrong of [{}, { text: 'a b', rows: [] }, { rows: Array(5001).fill({ name: 'Ada Lindqvale' }) }])
      expect((await head('POST', '/roster/preview', wrong)).status).toBe(400);
  });

  it('of a coach goes into their own squads only', async () => {
    await club.addSquad('Second', []);
    const body = ask('First name,Last name,Squad\nAda,Lindqvale,First\nBram,Halloran,Second\nOda,Quarrel,Third');
    const seen = await look(coach, body);
    expect(seen.rows.map((l) => l.problems.length)).toEqual([0, 1, 1]);
    expect(seen.newSquads).toEqual([]);
    expect((await commit(coach, { id: body.id })).swimmers).toBe(1);
    expect(await squads()).toEqual(['First', 'Second']);
    // Another coach, and another club, cannot store or take back what they did not bring.
    const stranger = await (await harness.club()).as('head');
    for (const who of [stranger]) {
      expect((await who('POST', '/roster/commit', { id: body.id })).status).toBe(404);
      expect((await who('POST', `/roster/${body.id}/undo`)).status).toBe(404);
      expect(
        (await who('POST', '/roster/preview', { ...ask('Ada Lindqvale'), id: body.id })).status,
      ).toBeGreaterThanOrEqual(400);
    }
  });

  it('of 5,000 lines comes in at once; of more, or of no text, none', async () => {
    const rows = Array.from({ length: 5000 }, (_, i) => `Ada${i},Lindqvale,${2000 + (i % 20)},Squad ${i % 12},1:20`);
    const body = ask(`First name,Last name,Born,Squad,100\n${rows.join('\n')}`);
    const seen = await look(head, body);
    expect([seen.problem, seen.rows.length, seen.newSquads.length]).toEqual([null, 5000, 12]);
    expect((await commit(head, { id: body.id })).swimmers).toBe(5000);
    const more = await look(head, ask(`First name,Last name\n${'Ada,Lindqvale\n'.repeat(5001)}`));
    expect([more.problem, more.rows]).toEqual([expect.stringContaining('At most 5000'), []]);
    expect((await head('POST', '/roster/preview', ask('x'.repeat(1_000_001)))).status).toBe(400);
    expect((await look(head, ask('a\u0000b'))).rows.filter((l) => l.problems.length === 0)).toEqual([]);
  });

  it('keeps nothing of somebody who is erased, nor of a look that was not stored', async () => {
    const body = ask(LIST);
    await look(head, body);
    await commit(head, { id: body.id });
    const open = ask(LIST.replace('Bram', 'Bertram'));
    await look(head, open);
    const [person] = await swimmers('lukasz');
    expect((await head('DELETE', `/swimmers/${person!.id}`)).status).toBe(200);
    const rows = await harness.owner.em
      .fork()
      .execute<{ all: string }[]>('select r::text as all from roster_import r where club_id = ?', [club.id]);
    expect(rows).toHaveLength(1);
    expect(rows[0]!.all).not.toMatch(/dvo|ukasz/i);
    expect((await head('POST', '/roster/commit', { id: open.id })).status).toBe(404);
  });
});
