import { readResults } from '@upwell/core/exchange';
import type { ResultLine } from '@upwell/core/measures';
import { v7 } from 'uuid';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let swimmer: string;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  swimmer = await club.addSwimmer();
});
afterAll(() => harness.stop());

const line = (change: Partial<ResultLine> = {}): ResultLine => ({
  swimmerId: swimmer,
  on: '2027-03-01',
  distanceM: 400,
  timeS: 380,
  strokesPerLength: 19,
  kind: 'trial',
  ...change,
});

const test = (input: object, change: object = {}) => ({
  swimmerId: swimmer,
  heldOn: '2027-03-01',
  input,
  note: '',
  version: 0,
  writeId: v7(),
  ...change,
});

describe('tests', () => {
  const trials = [
    { distanceM: 200, timeS: 165 },
    { distanceM: 400, timeS: 352 },
  ];

  it('stores what was taken down and works out what it says', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const save = test({ kind: 'critical-speed', trials });
    const first = await coach('PUT', `/tests/${id}`, save);
    expect(first).toMatchObject({ status: 200, body: { kind: 'critical-speed', version: 1 } });
    expect(first.body.outcome.value).toBeCloseTo(1.0695, 4);
    // Sent again because the answer was lost.
    expect((await coach('PUT', `/tests/${id}`, save)).body).toEqual(first.body);
    const stale = await coach('PUT', `/tests/${id}`, { ...save, writeId: v7() });
    expect(stale).toMatchObject({ status: 409, body: { current: { id } } });
    expect((await coach('GET', `/swimmers/${swimmer}/records`)).body.tests).toHaveLength(1);
    expect((await coach('DELETE', `/tests/${id}`)).status).toBe(200);
    expect((await coach('DELETE', `/tests/${id}`)).status).toBe(200);
    expect((await coach('GET', `/swimmers/${swimmer}/records`)).body.tests).toEqual([]);
  });

  it('refuses a test that says nothing, with the reason', async () => {
    const coach = await club.as('coach');
    const slow = [{ distanceM: 200, timeS: 200 }, trials[1]];
    const answer = await coach('PUT', `/tests/${v7()}`, test({ kind: 'critical-speed', trials: slow }));
    expect(answer).toMatchObject({ status: 422, body: { detail: expect.stringContaining('all-out') } });
    const drift = test({ kind: 'closed-eyes', strokes: 10, strokeLengthM: 1, offM: [1, 2, 1] });
    expect((await coach('PUT', `/tests/${v7()}`, drift)).status).toBe(422);
  });

  it.each([
    [{ kind: 'jump' }],
    [{ kind: 'glide', metres: [100] }],
    [{ kind: 'tumble', timesS: 'fast' }],
    [{ kind: 'rate-ramp', lengthM: 25, repM: 50, pushOffM: 30, pushOffS: 2, reps: [] }],
    [{ kind: 'ladder-step', ladder: 'stairs', step: 0, tries: 1, passed: 1 }],
  ])('refuses %j at the door', async (input) => {
    const coach = await club.as('coach');
    expect((await coach('PUT', `/tests/${v7()}`, test(input))).status).toBe(400);
  });

  it('are not for swimmers of another club', async () => {
    const other = await harness.club();
    const stranger = await other.as('coach');
    const answer = await stranger('PUT', `/tests/${v7()}`, test({ kind: 'critical-speed', trials }));
    expect(answer.status).toBe(404);
  });
});

describe('results', () => {
  it('are stored once, found, sorted, and taken out', async () => {
    const coach = await club.as('coach');
    const other = await club.addSwimmer(club.squads[0], { givenName: 'Bo', familyName: 'Quick' } as never);
    const ids = [v7(), v7(), v7()];
    await coach('PUT', `/results/${ids[0]}`, line());
    await coach('PUT', `/results/${ids[0]}`, line());
    await coach('PUT', `/results/${ids[1]}`, line({ timeS: 300, on: '2027-02-01' }));
    await coach('PUT', `/results/${ids[2]}`, line({ swimmerId: other, distanceM: 100, timeS: 70 }));
    const fast = (await coach('GET', '/results?sort=speed&falling=true')).body;
    expect(fast.total).toBe(3);
    expect(fast.items.map((r: { id: string }) => r.id)).toEqual([ids[2], ids[1], ids[0]]);
    const some = (await coach('GET', '/results?distanceM=400&sort=on&falling=false&limit=1')).body;
    expect(some).toMatchObject({ total: 2, items: [{ id: ids[1] }] });
    expect((await coach('GET', `/results?search=${encodeURIComponent('%_')}`)).body.total).toBe(0);
    expect((await coach('GET', '/results?sort=drop%20table')).status).toBe(400);
    for (const id of ids) expect((await coach('DELETE', `/results/${id}`)).status).toBe(200);
    expect((await coach('GET', '/results')).body.total).toBe(0);
  });

  it('are corrected with what they were: once, and not over what others made of them', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const { swimmerId: _, ...was } = line();
    await coach('PUT', `/results/${id}`, line());
    const right = line({ timeS: 350.5, strokesPerLength: null });
    const first = await coach('PUT', `/results/${id}`, { ...right, was });
    expect([first.status, first.body]).toMatchObject([200, { id, timeS: 350.5, strokesPerLength: null }]);
    // The same again, because the answer was lost; and what was first stored, because it waited on a device.
    expect((await coach('PUT', `/results/${id}`, { ...right, was })).status).toBe(200);
    expect((await coach('PUT', `/results/${id}`, line())).body.timeS).toBe(350.5);
    const late = await coach('PUT', `/results/${id}`, { ...line({ timeS: 333 }), was });
    expect([late.status, late.body.current.timeS]).toEqual([409, 350.5]);
    // Undone, it is what it was.
    const { swimmerId: __, ...now } = right;
    expect((await coach('PUT', `/results/${id}`, { ...line(), was: now })).body).toMatchObject(line());
    const stranger = await (await harness.club()).as('coach');
    expect((await stranger('PUT', `/results/${id}`, { ...right, was })).status).toBe(404);
    expect((await coach('PUT', `/results/${v7()}`, { ...right, was })).status).toBe(404);
    expect((await coach('PUT', `/results/${id}`, { ...right, was: { ...was, more: 1 } })).status).toBe(400);
    expect((await coach('GET', '/results')).body.total).toBe(1);
    await coach('DELETE', `/results/${id}`);
  });

  it('keep the pool, the splits and the meet, also through apps that know nothing of them', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const details = { pool: { length: 25, unit: 'm' as const }, splitsS: [90, 185, 282], meet: 'Lantern Cup' };
    const { swimmerId: _, ...was } = line();
    expect((await coach('PUT', `/results/${id}`, line({ details }))).body.details).toEqual(details);
    expect((await coach('GET', `/swimmers/${swimmer}/records`)).body.results[0].details).toEqual(details);
    // An older app corrects the time, and the rest stays.
    const faster = await coach('PUT', `/results/${id}`, { ...line({ timeS: 379 }), was });
    expect(faster.body).toMatchObject({ timeS: 379, details });
    // A newer one takes the splits out, once and not over what others made of it.
    const less = { pool: details.pool, meet: details.meet };
    const change = { ...line({ timeS: 379, details: less }), was: { ...was, timeS: 379, details } };
    for (const times of ['first', 'again'])
      expect([times, (await coach('PUT', `/results/${id}`, change)).body.details]).toEqual([times, less]);
    const late = { ...line({ timeS: 379, details: {} }), was: { ...was, timeS: 379, details } };
    expect((await coach('PUT', `/results/${id}`, late)).status).toBe(409);
    expect((await coach('GET', '/results')).body.items[0].details).toEqual(less);
    // A meet is found by its name.
    expect((await coach('GET', '/results?search=LÀNTERN')).body.total).toBe(1);
    expect((await coach('GET', '/results?search=Lantern%20Bowl')).body.total).toBe(0);
    await coach('DELETE', `/results/${id}`);
  });

  it.each([
    ['splits that fall', { splitsS: [90, 80] }],
    ['a split after the end', { splitsS: [400] }],
    ['a split that nobody swims', { splitsS: [20, 100, 200] }],
    ['a wall that is not there', { pool: { length: 25, unit: 'm' }, splitsS: [70, 140, 210, 300] }],
    ['too many', { splitsS: Array.from({ length: 121 }, (_, i) => i + 1) }],
    ['a pool of a kilometre', { pool: { length: 1000, unit: 'm' } }],
    ['a pool in feet', { pool: { length: 25, unit: 'ft' } }],
    ['a long meet', { meet: 'x'.repeat(81) }],
    ['what is not known', { lane: 4 }],
    ['a list', []],
  ])('refuse %s', async (_, details) => {
    const coach = await club.as('coach');
    expect((await coach('PUT', `/results/${v7()}`, { ...line(), details })).status).toBe(400);
    const rows = [{ ...line(), details }];
    expect((await coach('PUT', `/imports/${v7()}/0`, { rows })).status).toBe(400);
  });

  it('refuse a pool outside', async () => {
    const coach = await club.as('coach');
    const outside = line({ kind: 'track', details: { pool: { length: 25, unit: 'm' } } });
    const answer = await coach('PUT', `/results/${v7()}`, outside);
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([400, expect.stringContaining('has no pool')]);
  });

  it('have a day between 1980 and the end of next year', async () => {
    const coach = await club.as('coach');
    const next = new Date().getUTCFullYear() + 1;
    for (const [on, status] of [
      ['1979-12-31', 400],
      [`${next + 1}-01-01`, 400],
      ['2036-10-19', 400],
    ] as const) {
      const answer = await coach('PUT', `/results/${v7()}`, line({ on }));
      expect([on, answer.status]).toEqual([on, status]);
      expect(JSON.stringify(answer.body)).toContain('Check the year.');
    }
    for (const on of ['1980-01-01', `${next}-12-31`]) {
      const id = v7();
      expect((await coach('PUT', `/results/${id}`, line({ on }))).status).toBe(200);
      await coach('DELETE', `/results/${id}`);
    }
  });

  it('refuses what nobody can swim', async () => {
    const coach = await club.as('coach');
    expect((await coach('PUT', `/results/${v7()}`, line({ timeS: 60 }))).status).toBe(400);
    expect((await coach('PUT', `/results/${v7()}`, line({ on: '2027-02-30' }))).status).toBe(400);
  });

  it('go out as CSV and come in again', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const details = { pool: { length: 50, unit: 'm' as const }, splitsS: [188.5], meet: 'Lantern Cup' };
    await coach('PUT', `/results/${id}`, line({ details }));
    const file = await harness.app.inject({
      method: 'GET',
      url: '/api/v1/results.csv',
      cookies: { upwell_session: club.cookie('coach') },
    });
    expect(file.headers['content-type']).toContain('text/csv');
    const { results } = readResults(file.body, null, [{ id: swimmer, name: 'Ada Lindqvale' }]);
    expect(results).toEqual([line({ details })]);
    await coach('DELETE', `/results/${id}`);
  });
});

describe('a file of results', () => {
  it('goes out whole, however many there are, each of them once', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const times = Array.from({ length: 1300 }, (_, i) => 300 + i / 10);
    await coach('PUT', `/imports/${id}/0`, { rows: times.map((timeS) => line({ timeS })) });
    expect(await coach('POST', `/imports/${id}/commit`, { rows: 1300 })).toMatchObject({ body: { stored: 1300 } });
    const url = '/api/v1/results.csv';
    const { body } = await harness.app.inject({ url, cookies: { upwell_session: club.cookie('coach') } });
    const { results, problems } = readResults(body, null, [{ id: swimmer, name: 'Ada Lindqvale' }]);
    expect(problems).toEqual([]);
    expect(results.map((r) => r.timeS).sort((a, b) => a - b)).toEqual(times);
    expect((await coach('POST', `/imports/${id}/undo`, {})).status).toBe(200);
  });

  const rows = (n: number, from = 0) =>
    Array.from({ length: n }, (_, i) => line({ timeS: 300 + ((from + i) % 500), kind: 'training' }));

  it('counts only when all of it has come, and once', async () => {
    const coach = await club.as('coach');
    const id = v7();
    await coach('PUT', `/imports/${id}/0`, { rows: rows(1500) });
    await coach('PUT', `/imports/${id}/0`, { rows: rows(1500) });
    const early = await coach('POST', `/imports/${id}/commit`, { rows: 2000 });
    expect(early).toMatchObject({ status: 422, body: { detail: expect.stringContaining('1500 of 2000') } });
    expect((await coach('GET', '/results')).body.total).toBe(0);
    await coach('PUT', `/imports/${id}/1`, { rows: rows(500, 1500) });
    expect(await coach('POST', `/imports/${id}/commit`, { rows: 2000 })).toMatchObject({ body: { stored: 2000 } });
    expect(await coach('POST', `/imports/${id}/commit`, { rows: 2000 })).toMatchObject({ body: { stored: 2000 } });
    expect((await coach('GET', '/results')).body.total).toBe(2000);
  });

  it('brings pools, splits and meets', async () => {
    const coach = await club.as('coach');
    const id = v7();
    const details = { pool: { length: 25, unit: 'yd' as const }, splitsS: [40.5], meet: 'Lantern Cup' };
    const row = line({ on: '2026-12-01', distanceM: 91.44, timeS: 84, details });
    await coach('PUT', `/imports/${id}/0`, { rows: [row, line({ on: '2026-12-02', distanceM: 91.44, timeS: 85 })] });
    await coach('POST', `/imports/${id}/commit`, { rows: 2, name: 'Lantern Cup' });
    const { items } = (await coach('GET', '/results?distanceM=91.44&falling=false')).body;
    expect(items.map((r: ResultLine) => r.details)).toEqual([details, {}]);
    await coach('POST', `/imports/${id}/undo`);
  });

  it('is forgotten when it is cancelled', async () => {
    const coach = await club.as('coach');
    const id = v7();
    await coach('PUT', `/imports/${id}/0`, { rows: rows(10) });
    await coach('DELETE', `/imports/${id}`);
    expect((await coach('POST', `/imports/${id}/commit`, { rows: 10 })).status).toBe(422);
  });

  it('stores nothing when one row is of somebody who is not one’s own', async () => {
    const coach = await club.as('coach');
    const before = (await coach('GET', '/results')).body.total;
    const other = await harness.club();
    const stranger = await other.addSwimmer();
    const id = v7();
    await coach('PUT', `/imports/${id}/0`, { rows: [...rows(5), line({ swimmerId: stranger })] });
    expect((await coach('POST', `/imports/${id}/commit`, { rows: 6 })).status).toBe(422);
    expect((await coach('GET', '/results')).body.total).toBe(before);
  });

  it('cannot be ended by somebody else', async () => {
    const coach = await club.as('coach');
    const head = await club.as('head');
    const id = v7();
    await coach('PUT', `/imports/${id}/0`, { rows: rows(5) });
    expect((await head('POST', `/imports/${id}/commit`, { rows: 5 })).status).toBe(422);
  });
});

describe('an import that is looked at and taken back', () => {
  const swims = (n: number) => Array.from({ length: n }, (_, i) => line({ on: '2026-09-01', distanceM: 50 + i }));
  const total = async () => ((await (await club.as('coach'))('GET', '/results')).body as { total: number }).total;

  it('says before it is stored which rows are here already, and can leave them out', async () => {
    const coach = await club.as('coach');
    const before = await total();
    const first = v7();
    await coach('PUT', `/imports/${first}/0`, { rows: swims(5) });
    expect((await coach('POST', `/imports/${first}/check`)).body).toEqual({ rows: 5, known: 0, examples: [] });
    await coach('POST', `/imports/${first}/commit`, { rows: 5, name: 'September.csv' });

    const again = v7();
    // Five that are here, one of them swum a second time, and two new ones.
    const rows = [...swims(7), swims(1)[0]!];
    await coach('PUT', `/imports/${again}/0`, { rows });
    const { body: check } = await coach('POST', `/imports/${again}/check`);
    expect(check).toMatchObject({ rows: 8, known: 5 });
    expect(check.examples).toHaveLength(5);
    expect(check.examples[0]).toMatchObject({ name: 'Ada Lindqvale', on: '2026-09-01' });
    const { body: done } = await coach('POST', `/imports/${again}/commit`, { rows: 8, name: 'Again', skipKnown: true });
    expect(done).toMatchObject({ rows: 8, stored: 3, name: 'Again' });
    expect(await total()).toBe(before + 8);
  });

  it('takes equal lengths of one session for what they are, and knows all of them the second time', async () => {
    const coach = await club.as('coach');
    const lengths = Array.from({ length: 40 }, (_, i) =>
      line({ on: '2026-09-05', distanceM: 25, timeS: 24 + (i % 3) / 10 }),
    );
    const known = async () => {
      const id = v7();
      await coach('PUT', `/imports/${id}/0`, { rows: lengths.slice(0, 25) });
      await coach('PUT', `/imports/${id}/1`, { rows: lengths.slice(25) });
      return [id, (await coach('POST', `/imports/${id}/check`)).body.known as number] as const;
    };
    const [first, none] = await known();
    expect(none).toBe(0);
    expect((await coach('POST', `/imports/${first}/commit`, { rows: 40, skipKnown: true })).body.stored).toBe(40);
    const [again, all] = await known();
    expect(all).toBe(40);
    expect((await coach('POST', `/imports/${again}/commit`, { rows: 40, skipKnown: true })).body.stored).toBe(0);
    await coach('POST', `/imports/${first}/undo`);
    expect((await known())[1]).toBe(0);
  });

  it('stores doubles all the same when the coach says so', async () => {
    const coach = await club.as('coach');
    const before = await total();
    const id = v7();
    await coach('PUT', `/imports/${id}/0`, { rows: swims(5) });
    expect((await coach('POST', `/imports/${id}/commit`, { rows: 5 })).body).toMatchObject({ stored: 5 });
    expect(await total()).toBe(before + 5);
    await coach('POST', `/imports/${id}/undo`);
    expect(await total()).toBe(before);
  });

  it('is listed, tells what became of it, and is undone whole, once', async () => {
    const coach = await club.as('coach');
    const before = await total();
    const id = v7();
    expect((await coach('GET', `/imports/${id}`)).body).toEqual({ done: null });
    const mine = line({ on: '2026-09-02', distanceM: 77 });
    await coach('PUT', `/results/${v7()}`, mine);
    await coach('PUT', `/imports/${id}/0`, { rows: [mine, line({ on: '2026-09-03', distanceM: 77 })] });
    await coach('POST', `/imports/${id}/commit`, { rows: 2, name: 'Lake day.csv' });
    const { body: listed } = await coach('GET', '/imports');
    expect(listed[0]).toMatchObject({ id, name: 'Lake day.csv', rows: 2, stored: 2, undoneAt: null });
    expect((await coach('GET', `/imports/${id}`)).body.done).toEqual(listed[0]);
    for (let i = 0; i < 2; i++)
      expect((await coach('POST', `/imports/${id}/undo`)).body).toMatchObject({ id, removed: 2 });
    // The same swim that was entered by hand stays.
    expect(await total()).toBe(before + 1);
    // Repeated after it was undone, a late commit brings nothing back.
    await coach('POST', `/imports/${id}/commit`, { rows: 2 });
    expect(await total()).toBe(before + 1);
  });

  it('is undone by its maker or the head coach, and only while all its swimmers are theirs', async () => {
    const coach = await club.as('coach');
    const head = await club.as('head');
    const [ours, theirs] = [await club.addSwimmer(), await club.addSwimmer()];
    const id = v7();
    const rows = [line({ swimmerId: ours }), line({ swimmerId: theirs })];
    await coach('PUT', `/imports/${id}/0`, { rows });
    await coach('POST', `/imports/${id}/commit`, { rows: 2 });
    const stranger = await harness.club();
    expect((await (await stranger.as('head'))('POST', `/imports/${id}/undo`)).status).toBe(404);
    const elsewhere = await club.addSquad('Elsewhere', []);
    await harness.owner.em.fork().execute('update swimmer set squad_id = ? where id = ?', [elsewhere, theirs]);
    expect((await coach('POST', `/imports/${id}/undo`)).status).toBe(422);
    expect((await coach('GET', `/imports/${id}`)).body.done).toMatchObject({ undoneAt: null, removed: 0 });
    expect((await head('POST', `/imports/${id}/undo`)).body).toMatchObject({ removed: 2 });
  });
});

it('works out a rate ramp over HTTP', async () => {
  const coach = await club.as('coach');
  const reps = [50, 54, 58, 62, 66, 70].map((strokeRateSpm) => ({
    strokeRateSpm,
    speedMps: 1.2 - 0.0005 * (strokeRateSpm - 61) ** 2,
  }));
  const { body } = await coach('POST', '/compute/rate-ramp', { reps });
  expect(body).toMatchObject({ verdict: 'peak', rSquared: expect.closeTo(1, 9) });
  expect(body.bestRateSpm).toBeCloseTo(61, 6);
  expect((await coach('POST', '/compute/rate-ramp', { reps: [{ strokeRateSpm: 0, speedMps: 1 }] })).status).toBe(400);
});
