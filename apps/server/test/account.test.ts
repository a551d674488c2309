import { createApp } from '../src/platform/app';
import { readConfig } from '../src/platform/config';
import { forget } from '../src/platform/identity';
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

  it('stops guessing at one account from one place after ten wrong passwords, and leaves others alone', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const codes = [];
    for (let i = 0; i < 12; i++) codes.push((await signIn({ email, password: 'no' })).statusCode);
    expect(codes).toEqual([...Array<number>(10).fill(401), 429, 429]);
    // Also with the right password, so that guessing on does not pay; and in any writing of the address.
    const late = await signIn({ email: email.toUpperCase(), password: PASSWORD });
    expect(late.statusCode).toBe(429);
    expect(late.json().detail).toBe('Too many wrong passwords. Try again in 5 minutes.');
    expect((await signIn({ email: club.accounts.coach!.email, password: PASSWORD })).statusCode).toBe(200);
  });

  it('does not lock out an owner on a device they signed in on before, however many others guess', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const { email: another } = await harness.addAccount(club.id, 'coach', null);
    const first = await signIn({ email, password: PASSWORD });
    const device = first.cookies.find((c) => c.name === 'upwell_device')!;
    expect(device).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/api/v1/account' });
    const onDevice = (payload: object) =>
      harness.app.inject({
        method: 'POST',
        url: '/api/v1/account/sign-in',
        payload,
        cookies: { upwell_device: device.value },
      });
    for (let i = 0; i < 15; i++) await signIn({ email, password: 'no' });
    expect((await signIn({ email, password: PASSWORD })).statusCode).toBe(429);
    expect((await onDevice({ email, password: PASSWORD })).statusCode).toBe(200);
    // The device is known for its own account only, a made-up one for none, and guessing on it ends as well.
    for (let i = 0; i < 10; i++) await signIn({ email: another, password: 'no' });
    expect((await onDevice({ email: another, password: PASSWORD })).statusCode).toBe(429);
    const codes = [];
    for (let i = 0; i < 12; i++) codes.push((await onDevice({ email, password: 'no' })).statusCode);
    expect(codes).toEqual([...Array<number>(10).fill(401), 429, 429]);
  });

  it('counts wrong passwords from one address over all accounts', async () => {
    const from = (i: number, remoteAddress: string) =>
      harness.app.inject({
        method: 'POST',
        url: '/api/v1/account/sign-in',
        payload: { email: `nobody-${i}@club.example`, password: 'no' },
        remoteAddress,
      });
    const codes = [];
    for (let i = 0; i < 62; i++) codes.push((await from(i, '203.0.113.7')).statusCode);
    expect(codes).toEqual([...Array<number>(60).fill(401), 429, 429]);
    expect((await from(99, '203.0.113.8')).statusCode).toBe(401);
  });

  it('believes a proxy that it knows on where somebody comes from, and nobody else', async () => {
    const proxies = async (trusted: string, remoteAddress: string) => {
      const config = readConfig({
        ...process.env,
        SECURE_COOKIES: '1',
        ...(trusted ? { TRUSTED_PROXIES: trusted } : {}),
      });
      const { database, jobs, work } = harness;
      const app = await createApp({ database, jobs, work, config });
      const codes = [];
      for (let i = 0; i < 12; i++) {
        const answer = await app.inject({
          method: 'POST',
          url: '/api/v1/account/sign-in',
          payload: { email: club.accounts.head!.email, password: 'no' },
          // What the client wrote itself stands first; what the proxy saw stands last.
          headers: { 'x-forwarded-for': `198.51.100.${i}, 192.0.2.44` },
          remoteAddress,
        });
        codes.push(answer.statusCode);
      }
      await app.close();
      return codes.filter((code) => code === 401).length;
    };
    expect(await proxies('', '127.0.0.1')).toBe(10);
    expect(await proxies('10.0.0.0/8', '10.1.2.3')).toBe(10);
    expect(await proxies('10.0.0.0/8', '203.0.113.50')).toBe(10);
    expect(() => readConfig({ ...process.env, TRUSTED_PROXIES: 'everybody' })).toThrow('this is none: everybody');
  });

  it('has a cookie behind TLS that no other host can set', async () => {
    const { database, jobs, work } = harness;
    const config = readConfig({ ...process.env, SECURE_COOKIES: '1' });
    const app = await createApp({ database, jobs, work, config });
    const payload = { email: club.accounts.head!.email, password: PASSWORD };
    const [cookie] = (await app.inject({ method: 'POST', url: '/api/v1/account/sign-in', payload })).cookies;
    expect(cookie).toMatchObject({ name: '__Host-upwell_session', secure: true, path: '/', httpOnly: true });
    expect(cookie).not.toHaveProperty('domain');
    const ask = (name: string) => app.inject({ url: '/api/v1/squads', cookies: { [name]: cookie!.value } });
    expect((await ask('__Host-upwell_session')).statusCode).toBe(200);
    expect((await ask('upwell_session')).statusCode).toBe(401);
    await app.close();
  });

  it('ends after thirty days without use, and goes on with each use', async () => {
    const { id, email } = await harness.addAccount(club.id, 'coach', null);
    const cookie = (await signIn({ email, password: PASSWORD })).cookies[0]!;
    const used = (ago: string) =>
      harness.owner.em
        .fork()
        .execute(`update sign_in_session set used_at = now() - interval '${ago}' where account_id = ?`, [id]);
    // A server of its own each time: this one remembers for two seconds who asks.
    const ask = async () => {
      forget(cookie.value);
      return (await harness.app.inject({ url: '/api/v1/squads', cookies: { [cookie.name]: cookie.value } })).statusCode;
    };
    await used('29 days 23 hours');
    expect(await ask()).toBe(200);
    const [row] = await harness.owner.em
      .fork()
      .execute<{ fresh: boolean }[]>(
        `select used_at > now() - interval '1 minute' as fresh from sign_in_session where account_id = ?`,
        [id],
      );
    expect(row).toEqual({ fresh: true });
    await used('30 days 1 minute');
    expect(await ask()).toBe(401);
    expect(await ask()).toBe(401);
  });

  it('keeps what is about people out of every cache, and fonts and scripts of others out of the page', async () => {
    await club.as('coach');
    const coach = club.cookie('coach');
    const answer = await harness.app.inject({ url: '/api/v1/swimmers', cookies: { upwell_session: coach } });
    expect(answer.headers['cache-control']).toBe('no-store');
    const policy = String(answer.headers['content-security-policy']);
    expect(policy).toContain("font-src 'self';");
    expect(policy).toContain("connect-src 'self'");
    expect(policy).not.toContain('https:');
  });

  it('sends its safe headers with every answer, also with a refusal and where nothing is', async () => {
    const asked = [
      { url: '/healthz' },
      { url: '/nowhere' },
      { url: '/api/v1/nowhere' },
      { url: '/api/v1/squads' },
      { url: '/api/v1/squads/x', method: 'PUT', headers: { 'content-encoding': 'gzip' } },
    ] as const;
    for (const request of asked) {
      const { headers } = await harness.app.inject(request);
      expect([request.url, headers]).toMatchObject([
        request.url,
        {
          ...{ 'x-content-type-options': 'nosniff', 'referrer-policy': 'no-referrer', 'x-frame-options': 'SAMEORIGIN' },
          'content-security-policy': expect.stringContaining("default-src 'self'"),
        },
      ]);
    }
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
