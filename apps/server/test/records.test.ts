import { readResults } from '@upwell/core/exchange';
import type { ResultLine } from '@upwell/core/records';
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

  it('refuses what nobody can swim', async () => {
    const coach = await club.as('coach');
    expect((await coach('PUT', `/results/${v7()}`, line({ timeS: 60 }))).status).toBe(400);
    expect((await coach('PUT', `/results/${v7()}`, line({ on: '2027-02-30' }))).status).toBe(400);
  });

  it('go out as CSV and come in again', async () => {
    const coach = await club.as('coach');
    const id = v7();
    await coach('PUT', `/results/${id}`, line());
    const file = await harness.app.inject({
      method: 'GET',
      url: '/api/v1/results.csv',
      cookies: { upwell_session: club.cookie('coach') },
    });
    expect(file.headers['content-type']).toContain('text/csv');
    const { results } = readResults(file.body, null, [{ id: swimmer, name: 'Ada Lindqvale' }]);
    expect(results).toEqual([line()]);
    await coach('DELETE', `/results/${id}`);
  });
});

describe('a file of results', () => {
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
