import { lanesOut } from '@upwell/core/deck';
import { WATER_RULES } from '@upwell/core/safety';
import { sessionFileSchema, type SessionRow, type SessionView } from '@upwell/contract/sessions';
import { readSession, readSessionCsv, withPositionIds } from '@upwell/core/notation';
import {
  buildSession,
  editSet,
  setsOf,
  type GroupPerson,
  groupLengths,
  type SessionPlan,
  type SetPatch,
} from '@upwell/core/sessions';
import { clockAfter } from '@upwell/core/units';
import Ajv from 'ajv/dist/2020';
import { v7 } from 'uuid';
import { allRoutes, Harness, type TestClub } from './harness';
import { readPdf } from './readPdf';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const built = buildSession({
  kind: 'speed',
  theme: 'breath-too-low',
  minutes: 60,
  pool: { length: 25, unit: 'm' },
  kit: ['fins', 'board', 'buoy'],
  seed: 1,
  groups: (['build', 'hold', 'race'] as const).map((level) => ({ level, swimmers: 4, lanes: 1, v400Mps: null })),
});
if (built.kind === 'clash') throw new Error('no plan');
const plan: SessionPlan = built.plan;

const session = (change: object = {}) => ({
  title: 'Sip to the side',
  date: '2027-03-02',
  startTime: '19:00',
  squadIds: [club.squads[0]],
  plan,
  version: 0,
  writeId: v7(),
  ...change,
});

/** Stores a session and gives its id. */
async function stored(change: object = {}, owner = club): Promise<string> {
  const id = v7();
  const answer = await (
    await owner.as('coach')
  )('PUT', `/sessions/${id}`, session({ squadIds: [owner.squads[0]], ...change }));
  expect([answer.status, answer.body?.detail]).toEqual([200, undefined]);
  return id;
}

/** A raw answer: files are not JSON. */
async function file(url: string, owner = club) {
  const cookie = (await (await owner.as('coach'))('GET', '/squads')) && owner.cookie('coach');
  return harness.app.inject({ method: 'GET', url: `/api/v1${url}`, cookies: { upwell_session: cookie } });
}

describe('what a coach writes down for themselves after a session', () => {
  it('is shown to coaches, and to no swimmer in any form', async () => {
    const note = 'Ada cried, talk to her alone.';
    const ratings = { [plan.groups[0]!.id]: 6 };
    const id = await stored({ done: { plan, ratings, note } });
    await club.addAccount('swimmer', await club.addSwimmer());
    const [coach, swimmer] = [await club.as('coach'), await club.as('swimmer')];
    expect((await coach('GET', `/sessions/${id}`)).body.done).toMatchObject({ ratings, note });
    const seen = await swimmer('GET', `/sessions/${id}`);
    expect([seen.status, seen.body.done.ratings, seen.body.done.note]).toEqual([200, ratings, '']);
    const cookies = { upwell_session: club.cookie('swimmer') };
    for (const { method, path } of await allRoutes(harness)) {
      if (method !== 'GET' || path.includes('{token}')) continue;
      for (const format of path.includes('{format}') ? ['upwell', 'json', 'csv', 'ics'] : ['']) {
        const url = `${path.replace('{id}', id).replace('{format}', format)}?date=2027-03-02`;
        const { body } = await harness.app.inject({ url, cookies });
        expect([url, body.includes('cried')]).toEqual([url, false]);
      }
    }
  });
});

describe('a session as a file', () => {
  it('comes back from text, CSV and JSON as it was stored', async () => {
    const id = await stored();
    const wanted = withPositionIds(plan);
    const text = await file(`/sessions/${id}/export/upwell`);
    expect(text.headers['content-type']).toContain('text/plain');
    expect(readSession(text.body)).toMatchObject({
      problems: [],
      document: { title: 'Sip to the side', plan: wanted },
    });
    const csv = await file(`/sessions/${id}/export/csv`);
    // The mark by which spreadsheets know that it is UTF-8.
    expect(csv.body.startsWith('\uFEFF')).toBe(true);
    expect(readSessionCsv(csv.body)).toMatchObject({ problems: [], document: { plan: wanted } });
    const json = await file(`/sessions/${id}/export/json`);
    const read = sessionFileSchema.validate(json.json());
    expect([read.error, read.value?.plan]).toEqual([undefined, plan]);
  });

  it('obeys the published JSON Schema, which refuses what is no session', async () => {
    const id = await stored();
    const schema = (await file('/schemas/session.json')).json();
    const valid = new Ajv({ strict: false }).compile(schema);
    const one = (await file(`/sessions/${id}/export/json`)).json();
    expect([valid(one), valid.errors]).toEqual([true, null]);
    expect(valid({ ...one, plan: { ...one.plan, groups: [{ level: 'elite' }] } })).toBe(false);
    expect(valid({ ...one, format: 'something-else' })).toBe(false);
  });

  it('is a calendar entry at the hour of the wall clock', async () => {
    const id = await stored({ title: 'Long, easy; and "calm"' });
    const { body } = await file(`/sessions/${id}/export/ics`);
    const lines = body.split('\r\n');
    expect(lines[0]).toBe('BEGIN:VCALENDAR');
    expect(lines).toContain('VERSION:2.0');
    expect(lines).toContain('DTSTART:20270302T190000Z');
    expect(lines).toContain('DTEND:20270302T200000Z');
    expect(lines).toContain('LOCATION:25 m pool');
    expect(lines).toContain(`UID:${id}@upwell`);
    expect(body).toContain('SUMMARY:Long\\, easy\\; and');
    for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });

  it('says yards in the list and in the calendar where the pool is in yards', async () => {
    const yards = { ...plan, pool: { length: 25, unit: 'yd' as const } };
    const id = await stored({ plan: yards, title: 'In yards', date: '2027-03-09' });
    const coach = await club.as('coach');
    const { body: rows } = await coach('GET', '/sessions?from=2027-03-09&to=2027-03-09');
    const { groups } = rows.find((row: { id: string }) => row.id === id);
    const lengths = yards.groups.map(groupLengths);
    expect(groups.map((g: { inPool: object }) => g.inPool)).toEqual(
      lengths.map((n) => ({ distance: n * 25, unit: 'yd', about: false })),
    );
    const { body } = await file(`/sessions/${id}/export/ics`);
    const entry = body.replaceAll('\r\n\t', '').replaceAll('\r\n ', '');
    for (const [i, g] of yards.groups.entries()) expect(entry).toContain(`${g.name}: ${lengths[i]! * 25} yd`);
    expect(entry).not.toMatch(/: \d+ m\b/);
  });

  it('is a sheet with a page for each level, or each lane', async () => {
    await club.addSwimmer(club.squads[0]!, { bestTimes: [{ distanceM: 400, timeS: 352 }] });
    const id = await stored();
    const pages = (pdf: string) => pdf.match(/\/Type \/Page\n/g)?.length ?? 0;
    const level = await file(`/sessions/${id}/sheet.pdf`);
    expect(level.headers['content-type']).toBe('application/pdf');
    expect(level.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pages(level.rawPayload.toString('latin1'))).toBeGreaterThanOrEqual(3);
    const lanes = await file(`/sessions/${id}/sheet.pdf?size=A4&per=lane`);
    const coach = await club.as('coach');
    const { body: session } = await coach('GET', `/sessions/${id}`);
    const { body: people } = await coach('GET', `/sessions/${id}/people`);
    // Each lane is out when the deck will have it out, not when its group is planned to be.
    const out = lanesOut(session.plan, people);
    expect(out.length).toBeGreaterThan(0);
    for (const { outS } of out)
      expect(readPdf(lanes.rawPayload).pages.join(' ')).toContain(`out ${clockAfter(session.startTime, outS)}`);
    expect((await file(`/sessions/${id}/sheet.pdf?size=A3`)).statusCode).toBe(400);
  });

  it('of another club is not there', async () => {
    const id = await stored();
    const other = await harness.club();
    for (const path of ['export/csv', 'export/ics', 'sheet.pdf', 'people']) {
      expect([path, (await file(`/sessions/${id}/${path}`, other)).statusCode]).toEqual([path, 404]);
    }
    expect((await (await other.as('head'))('DELETE', `/sessions/${id}`)).status).toBe(404);
  });
});

describe('few breaths', () => {
  const target = plan.groups.findIndex((g) => g.level === 'hold');
  const main = plan.groups[target]!.blocks.find((b) => b.kind === 'main')!;
  const setId = setsOf(main.items)[0]!.set.id;
  const record = { lifeguard: 'Mo Bekk', rulesTold: true, minorsAgreed: false };
  const risky = (record: object | null, change: SetPatch = {}) => {
    const edited = editSet(plan, setId, {
      reps: 4,
      lengths: 1,
      drill: null,
      stroke: 'front-crawl',
      breathing: { kind: 'limited', first: 3, last: 2 },
      timing: { kind: 'rest', seconds: 60 },
      ...change,
    });
    return { ...edited, groups: edited.groups.map((g, i) => (i === target ? { ...g, breathRecord: record } : g)) };
  };
  const put = async (owner: TestClub, role: 'coach' | 'head', body: object, id = v7()) =>
    (await owner.as(role))('PUT', `/sessions/${id}`, { ...session({ squadIds: [owner.squads[0]] }), ...body });
  const year = new Date().getFullYear();
  const withAdult = async () => {
    const club = await harness.club();
    await club.addSwimmer();
    return club;
  };

  it('are stored only with everything on record', async () => {
    const adults = await withAdult();
    expect((await put(adults, 'coach', { plan: risky(null) })).status).toBe(422);
    expect((await put(adults, 'coach', { plan: risky({ ...record, rulesTold: false }) })).body.detail).toContain(
      'Never alone',
    );
    expect((await put(adults, 'coach', { plan: risky({ ...record, lifeguard: ' ' }) })).status).toBe(422);
    expect((await put(adults, 'coach', { plan: risky(record) })).status).toBe(200);
  });

  it.each<[string, SetPatch, RegExp]>([
    ['100s without a breath', { lengths: 4, breathing: { kind: 'limited', first: 0, last: 0 } }, /100 m without air/],
    ['50s without a breath', { lengths: 2, breathing: { kind: 'limited', first: 0, last: 0 } }, /50 m without air/],
    [
      'one breath in a 50',
      { lengths: 2, effort: 1, breathing: { kind: 'limited', first: 4, last: 1, per: 'rep' } },
      /5, 4, 3, 2 breaths a rep would do/,
    ],
    ['5 s of rest', { timing: { kind: 'rest', seconds: 5 } }, /at least 30 s of rest/],
  ])('are refused by the server: %s', async (_name, change, said) => {
    const adults = await withAdult();
    const { status, body } = await put(adults, 'head', { plan: risky(record, change) });
    expect([status, body.detail]).toEqual([422, expect.stringMatching(said)]);
    const list = await (await adults.as('coach'))('GET', '/sessions');
    expect(list.body).toEqual([]);
  });

  it('ask about people: those who may not breathe freely, and nobody left means no', async () => {
    for (const [who, said] of [
      [{ birthYear: year - 12 }, 'under 16'],
      [{ birthYear: null }, 'of unknown age'],
      [{ healthFlags: ['asthma'], healthConsent: true }, 'asthma'],
      [{ healthFlags: ['faint'], healthConsent: true }, 'faint'],
    ] as const) {
      const club = await harness.club();
      await club.addSwimmer(club.squads[0]!, who);
      const agreed = { plan: risky({ ...record, minorsAgreed: true }) };
      expect((await put(club, 'head', agreed)).body.detail).toContain(said);
      // With somebody who may beside them, they swim the same set breathing freely.
      const adult = await club.addSwimmer();
      expect((await put(club, 'head', agreed)).status).toBe(200);
      const leftOut = { ...agreed, breatheFreely: [adult] };
      expect((await put(club, 'head', leftOut)).body.detail).toContain('left out by the coach');
    }
  });

  it('puts people of a level without a group of its own where they would swim', async () => {
    const club = await harness.club();
    await club.addSwimmer(club.squads[0]!, { level: 'build' });
    const only = risky(record);
    const alone = { ...only, groups: only.groups.filter((g) => g.level === 'hold') };
    expect((await put(club, 'coach', { plan: alone })).body.detail).toContain('only for Hold and Race');
  });

  it('remember who was left out, tell swimmers nothing of it, and forget people who are erased', async () => {
    const club = await harness.club();
    await club.addAccount('swimmer', await club.addSwimmer());
    const out = await club.addSwimmer();
    const id = v7();
    const saved = await put(club, 'head', { plan: risky(record), breatheFreely: [out] }, id);
    expect(saved.body.breatheFreely).toEqual([out]);
    const seen = await (await club.as('swimmer'))('GET', `/sessions/${id}`);
    expect([seen.status, seen.body.breatheFreely]).toEqual([200, []]);
    expect((await (await club.as('head'))('DELETE', `/swimmers/${out}`)).status).toBe(200);
    expect((await (await club.as('head'))('GET', `/sessions/${id}`)).body.breatheFreely).toEqual([]);
  });

  it('cannot be planned for a squad whose swimmers one does not see', async () => {
    const two = await withAdult();
    const hidden = await two.addSquad('Children', []);
    await two.addSwimmer(hidden, { birthYear: year - 12 });
    const both = { plan: risky(record), squadIds: [two.squads[0], hidden] };
    expect((await put(two, 'coach', both)).body.detail).toContain('not yours');
    expect((await put(two, 'head', both)).status).toBe(200);
  });

  it('need the head coach’s word for those of 16 and 17', async () => {
    const young = await harness.club();
    await young.addSwimmer(young.squads[0]!, { birthYear: year - 17 });
    expect((await put(young, 'coach', { plan: risky(record) })).body.detail).toContain('guardian');
    const agreed = risky({ ...record, minorsAgreed: true });
    expect((await put(young, 'coach', { plan: agreed })).body.detail).toContain('Only the head coach');
    expect((await put(young, 'head', { plan: agreed })).status).toBe(200);
  });

  it('carry their warning onto paper and into files', async () => {
    const club = await withAdult();
    const id = v7();
    await put(club, 'coach', { plan: risky(record) }, id);
    for (const format of ['csv', 'upwell']) {
      const { body } = await file(`/sessions/${id}/export/${format}`, club);
      expect(body).toContain('can faint under water without warning');
      expect(body).toContain('Come up at the first urge to breathe.');
      expect(body).toContain('Lifeguard: Mo Bekk.');
      expect(body).toMatch(/3 a length: breathe at about/);
    }
  });
});

describe('the library of sessions', () => {
  const find = async (owner: TestClub, query: string): Promise<SessionRow[]> =>
    (await (await owner.as('coach'))('GET', `/sessions?${query}`)).body;

  it('finds by title, theme, squad and days; templates stand apart', async () => {
    const own = await harness.club();
    const title = await stored({ title: '50 % steady_ones' }, own);
    const template = await stored({ title: 'Keep me', template: true }, own);
    const ids = (rows: SessionRow[]) => rows.map((r) => r.id);
    expect(ids(await find(own, 'search=STEADY_'))).toEqual([title]);
    expect(ids(await find(own, 'search=steadyXones'))).toEqual([]);
    expect(ids(await find(own, 'search=far+for+air'))).toEqual([title]);
    expect(ids(await find(own, 'templates=true'))).toEqual([template]);
    expect(ids(await find(own, `squadId=${own.squads[0]}`))).toEqual([title]);
    expect(ids(await find(own, 'from=2027-03-03'))).toEqual([]);
    const { body: today } = await (await own.as('coach'))('GET', '/deck/today?date=2027-03-02');
    expect(ids(today.sessions)).toEqual([title]);
  });

  it('keeps what was swum beside the plan, counts it in lists and load, and can be taken out', async () => {
    const own = await harness.club();
    const swimmer = await own.addSwimmer();
    const coach = await own.as('coach');
    const id = await stored({ date: '2027-03-02' }, own);
    const hold = plan.groups.find((g) => g.level === 'hold')!;
    const done = {
      plan: { ...plan, groups: [{ ...hold, blocks: hold.blocks.slice(0, 3) }] },
      ratings: { [hold.id]: 6 },
      note: '',
    };
    const saved = await coach('PUT', `/sessions/${id}`, session({ squadIds: own.squads, done, version: 1 }));
    expect(saved.body.done).toEqual(done);
    const [row] = await find(own, 'search=sip');
    expect(row).toMatchObject({ done: true, groups: [{ level: 'hold', felt: expect.any(Number) }] });
    const { body } = await coach('GET', '/load?date=2027-03-03');
    expect(body.swimmers).toHaveLength(1);
    expect(body.swimmers[0]).toMatchObject({
      id: swimmer,
      summary: { week: row!.groups[0]!.load },
      feltWeek: row!.groups[0]!.felt,
    });
    expect((await coach('DELETE', `/sessions/${id}`)).body).toEqual({ removed: true });
    expect((await coach('GET', `/sessions/${id}`)).status).toBe(404);
    expect((await coach('GET', '/load?date=2027-03-03')).body.swimmers[0].summary.week).toBe(0);
  });

  it('gives a calendar by a secret address, until it is taken back', async () => {
    const own = await harness.club();
    const coach = await own.as('coach');
    await stored({ date: new Date().toISOString().slice(0, 10), title: 'Tonight' }, own);
    await stored({ template: true, title: 'Only a template' }, own);
    const id = v7();
    const token = 'c'.repeat(31) + id.replaceAll('-', '').slice(-12);
    await coach('PUT', `/calendar-links/${id}`, { squadId: own.squads[0], token });
    const get = () => harness.app.inject({ method: 'GET', url: `/api/v1/calendars/${token}` });
    const feed = await get();
    expect(feed.headers['content-type']).toContain('text/calendar');
    expect(feed.body).toContain('SUMMARY:Tonight');
    expect(feed.body).not.toContain('Only a template');
    expect((await (await (await harness.club()).as('head'))('POST', `/calendar-links/${id}/revoke`)).status).toBe(404);
    await coach('POST', `/calendar-links/${id}/revoke`);
    expect((await get()).statusCode).toBe(404);
    const foreign = await (
      await (await harness.club()).as('coach')
    )('PUT', `/calendar-links/${v7()}`, { squadId: own.squads[0], token: 'd'.repeat(43) });
    expect(foreign.status).toBe(404);
  });

  it('gives an empty calendar for a squad without sessions', async () => {
    const own = await harness.club();
    const id = v7();
    const token = 'e'.repeat(31) + id.replaceAll('-', '').slice(-12);
    await (
      await own.as('coach')
    )('PUT', `/calendar-links/${id}`, { squadId: own.squads[0], token });
    const { statusCode, body } = await harness.app.inject({ method: 'GET', url: `/api/v1/calendars/${token}` });
    expect([statusCode, body.startsWith('BEGIN:VCALENDAR')]).toEqual([200, true]);
  });
});

describe('programs', () => {
  it.each([
    [
      'lane-check',
      {
        poolLengthM: 50,
        rep: 50,
        swimmers: [
          { id: 'a', speedMps: 1 },
          { id: 'b', speedMps: 1.25 },
        ],
        gapS: 5,
        sendOffS: 90,
        reps: 1,
      },
      { catches: [{ who: 'a', caughtBy: 'b', rep: 1, atM: 25 }], proposal: { kind: 'order', order: ['b', 'a'] } },
    ],
    [
      'session-text',
      { text: 'Main = 500\n4 x 100 crawl', poolLengthYd: 25 },
      {
        totalM: 365.76,
        blocks: [{ name: 'Main', totalM: expect.closeTo(365.76, 6), stated: 500 }],
        problems: [{ line: 1, column: 6, severity: 'warning' }],
      },
    ],
    [
      'build-session',
      { theme: 'sights-high', minutes: 70, loopM: 400, groups: [{ level: 'hold' }] },
      { clashes: [], groups: [{ totals: { looks: expect.any(Number) } }] },
    ],
  ])('%s answers as fixed', async (path, body, answer) => {
    const response = await (await club.as('head'))('POST', `/compute/${path}`, body);
    expect(response).toMatchObject({ status: 200, body: answer });
  });

  it.each([
    [
      'lane-check',
      { poolLengthM: 0, rep: 50, swimmers: [{ id: 'a', speedMps: 1 }], gapS: 5, sendOffS: 9, reps: 1 },
      'poolLengthM',
    ],
    ['session-text', { text: 'x'.repeat(300_000) }, 'text'],
    ['session-text', { text: 'Main', poolLengthM: 10_000 }, 'poolLengthM'],
    [
      'build-session',
      { theme: 'spins', minutes: 60, place: 'open-water', poolLengthM: 25, groups: [{ level: 'hold' }] },
      'loopM',
    ],
  ])('%s names the field that is wrong', async (path, body, field) => {
    const response = await (await club.as('head'))('POST', `/compute/${path}`, body);
    expect([response.status, response.body.fields?.[0]?.field]).toEqual([400, field]);
  });

  it('are refused a text of 5 MB', async () => {
    const answer = await (await club.as('head'))('POST', '/compute/session-text', { text: 'x'.repeat(5_000_000) });
    expect(answer).toMatchObject({
      status: 413,
      body: { detail: 'This is too much at once. Shorten the text and try again.' },
    });
  });
});

describe('who comes', () => {
  it('is told with their pace, and shapes the groups by ladder and club table', async () => {
    const own = await harness.club();
    await own.addSwimmer(own.squads[0]!, { ladderSteps: { catch: 2 } });
    await own.addSwimmer(own.squads[0]!, { ladderSteps: { catch: 1, kick: 3 }, bestTimes: [] });
    await harness.owner.em
      .fork()
      .execute(`update club set settings = ? where id = ?`, [
        JSON.stringify({ paceTable: [{ effort: 0.8, share: 0.9 }] }),
        own.id,
      ]);
    const coach = await own.as('coach');
    const { body } = await coach('GET', `/sessions/proposal?date=2027-03-02&squadIds=${own.squads[0]}`);
    expect(body.groups[0]).toMatchObject({
      ladderSteps: { catch: 1, kick: 3 },
      paceTable: [{ effort: 0.8, share: 0.9 }],
    });
    expect(body.people.map((p: GroupPerson) => [p.age, p.healthFlags])).toEqual(body.people.map(() => ['adult', []]));
    const { body: people } = await coach('GET', `/sessions/${await stored({}, own)}/people`);
    expect(people.map((p: { paceIsGuess: boolean }) => p.paceIsGuess).sort()).toEqual([false, true]);
  });

  it('pool times belong to the squad', async () => {
    const own = await harness.club();
    const head = await own.as('head');
    const time = { weekday: 2, startTime: '19:00', minutes: 60, pool: { length: 25, unit: 'm' }, lanes: 3 };
    const squad = {
      name: 'First',
      coachIds: [own.accounts.coach!.id],
      poolTimes: [time],
      archived: false,
      version: 1,
      writeId: v7(),
    };
    expect((await head('PUT', `/squads/${own.squads[0]}`, squad)).body.poolTimes).toEqual([time]);
    const [seen] = (await (await own.as('coach'))('GET', '/squads')).body as SessionView[] & { poolTimes: unknown }[];
    expect(seen!.poolTimes).toEqual([time]);
    const wrong = { ...squad, poolTimes: [{ ...time, weekday: 8 }], version: 2, writeId: v7() };
    expect((await head('PUT', `/squads/${own.squads[0]}`, wrong)).body.fields[0].field).toBe('poolTimes.0.weekday');
  });
});

describe('club rules', () => {
  it('are the head coach’s to change, for the own club only', async () => {
    const own = await harness.club();
    const other = await harness.club();
    const water = { ...WATER_RULES, windMps: 6 };
    const standards = [{ name: 'Racing lane', distanceM: 400, pool: { length: 25, unit: 'm' }, timeS: 345 }];
    const rules = { kit: ['fins'], laneCapacity: 6, paceTable: [{ effort: 0.8, share: 0.91 }], water, standards };
    const known = { ...rules, name: expect.any(String), timeZone: 'UTC', units: 'm', version: 2 };
    expect((await (await own.as('coach'))('PUT', '/account/club', rules)).status).toBe(403);
    expect((await (await own.as('head'))('PUT', '/account/club', rules)).body).toEqual(known);
    expect((await (await own.as('coach'))('GET', '/account/club')).body).toEqual(known);
    expect((await (await other.as('head'))('GET', '/account/club')).body).toMatchObject({
      laneCapacity: null,
      paceTable: [],
    });
    // An older app, which knows nothing of the water and of standards, loosens and loses nothing.
    const { water: _, standards: __, ...older } = rules;
    expect((await (await own.as('head'))('PUT', '/account/club', older)).body).toEqual({ ...known, version: 3 });
    const falling = { ...rules, paceTable: [...rules.paceTable, { effort: 0.6, share: 0.8 }] };
    expect((await (await own.as('head'))('PUT', '/account/club', falling)).body.detail).toContain('must rise');
    const fast = { ...rules, standards: [{ ...standards[0], timeS: 60 }] };
    expect((await (await own.as('head'))('PUT', '/account/club', fast)).status).toBe(400);
    const many = { ...rules, standards: Array.from({ length: 61 }, () => standards[0]) };
    expect((await (await own.as('head'))('PUT', '/account/club', many)).status).toBe(400);
    // A swimmer sees them beside what they swam.
    const id = await own.addSwimmer();
    const records = await (await own.as('coach'))('GET', `/swimmers/${id}/records`);
    expect(records.body.standards).toEqual(standards);
  });
});
