import { v7 } from 'uuid';
import { Harness, PASSWORD, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
});
afterAll(() => harness.stop());

const signIn = (payload: object, headers: Record<string, string> = {}) =>
  harness.app.inject({ method: 'POST', url: '/api/v1/account/sign-in', payload, headers });

describe('signing in', () => {
  it('sets a cookie that scripts cannot read, and tells who it is', async () => {
    const response = await signIn({ email: club.accounts.head!.email.toUpperCase(), password: PASSWORD });
    expect(response.statusCode).toBe(200);
    expect(response.json()).toMatchObject({ role: 'head', clubId: club.id });
    expect(response.cookies[0]).toMatchObject({ httpOnly: true, sameSite: 'Lax', path: '/' });
    expect(response.body).not.toContain('argon2');
  });

  it('answers the same for a wrong password and an unknown address', async () => {
    const wrong = await signIn({ email: club.accounts.head!.email, password: 'no' });
    const unknown = await signIn({ email: 'nobody@club.example', password: 'no' });
    expect([wrong.statusCode, unknown.statusCode]).toEqual([401, 401]);
    expect(wrong.body).toBe(unknown.body);
    expect(wrong.headers['content-type']).toContain('application/problem+json');
  });

  it('stops guessing after thirty tries a minute for one address', async () => {
    const email = `guess-${v7()}@club.example`;
    const codes = [];
    for (let i = 0; i < 31; i++) codes.push((await signIn({ email, password: 'no' })).statusCode);
    expect(codes.slice(0, 30)).toEqual(Array(30).fill(401));
    expect(codes[30]).toBe(429);
    expect((await signIn({ email: club.accounts.coach!.email, password: PASSWORD })).statusCode).toBe(200);
  });

  it('keeps only a hash of the session token', async () => {
    const token = (await signIn({ email: club.accounts.head!.email, password: PASSWORD })).cookies[0]!.value;
    const rows = await harness.owner.em
      .fork()
      .execute<{ hex: string }[]>(`select encode(token_hash, 'escape') as hex from sign_in_session`);
    expect(rows.length).toBeGreaterThan(0);
    expect(rows.some((row) => row.hex.includes(token))).toBe(false);
  });

  it('ends with signing out, also for a copied cookie', async () => {
    const cookie = (await signIn({ email: club.accounts.head!.email, password: PASSWORD })).cookies[0]!;
    const cookies = { [cookie.name]: cookie.value };
    await harness.app.inject({ method: 'POST', url: '/api/v1/account/sign-out', cookies });
    const after = await harness.app.inject({ url: '/api/v1/squads', cookies });
    expect(after.statusCode).toBe(401);
    expect(after.json().detail).toContain('Sign in again');
  });

  it('ends when its time is over', async () => {
    const cookie = (await signIn({ email: club.accounts.head!.email, password: PASSWORD })).cookies[0]!;
    await harness.owner.em
      .fork()
      .execute(`update sign_in_session set expires_at = now() - interval '1 second' where account_id = ?`, [
        club.accounts.head!.id,
      ]);
    expect(
      (await harness.app.inject({ url: '/api/v1/squads', cookies: { [cookie.name]: cookie.value } })).statusCode,
    ).toBe(401);
  });
});

describe('writes from elsewhere', () => {
  it('are refused when the browser names another site', async () => {
    const payload = { email: club.accounts.head!.email, password: PASSWORD };
    expect((await signIn(payload, { origin: 'https://elsewhere.example' })).statusCode).toBe(403);
    expect((await signIn(payload, { 'sec-fetch-site': 'cross-site' })).statusCode).toBe(403);
    expect((await signIn(payload, { origin: 'http://localhost:80', host: 'localhost:80' })).statusCode).toBe(200);
  });
});

describe('hostile input', () => {
  it.each([
    ['no JSON', '{"email":'],
    ['a huge text', JSON.stringify({ email: 'a@b.example', password: 'x'.repeat(600_000) })],
    ['a list', '[]'],
    ['nothing', ''],
  ])('%s is answered with a sentence and no trace', async (_name, payload) => {
    const response = await harness.app.inject({
      method: 'POST',
      url: '/api/v1/account/sign-in',
      headers: { 'content-type': 'application/json' },
      payload,
    });
    expect(response.statusCode).toBeGreaterThanOrEqual(400);
    expect(response.statusCode).toBeLessThan(500);
    expect(response.json().detail.length).toBeGreaterThan(10);
    expect(response.body).not.toMatch(/node_modules|at .*\.ts/);
  });

  it('a made-up cookie is nobody', async () => {
    for (const value of ['', 'x', '\u0000', 'a'.repeat(5000)]) {
      expect(
        (await harness.app.inject({ url: '/api/v1/squads', cookies: { upwell_session: encodeURIComponent(value) } }))
          .statusCode,
      ).toBe(401);
    }
  });
});

describe('the house', () => {
  it('lives, is ready, and documents every calculator', async () => {
    expect((await harness.app.inject({ url: '/healthz' })).statusCode).toBe(200);
    expect((await harness.app.inject({ url: '/readyz' })).statusCode).toBe(200);
    const { paths } = (await harness.app.inject({ url: '/api/v1/openapi.json' })).json();
    for (const name of [
      'length-metrics',
      'critical-speed',
      'race-time',
      'effort-pace',
      'breathing',
      'causes',
      'build-session',
      'load',
    ]) {
      expect(paths[`/api/v1/compute/${name}`].post.requestBody).toBeDefined();
    }
  });

  it('serves neither the API to guests nor pages outside its folder', async () => {
    expect((await harness.app.inject({ url: '/api/v1/swimmers' })).statusCode).toBe(401);
    expect((await harness.app.inject({ url: '/api/v1/nothing', headers: { accept: 'text/html' } })).statusCode).toBe(
      404,
    );
    expect((await harness.app.inject({ url: '/..%2f..%2fpackage.json' })).statusCode).toBe(404);
  });
});
