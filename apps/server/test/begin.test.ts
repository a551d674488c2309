import type { FastifyInstance } from 'fastify';
import { setupCode } from '../src/account/setup';
import { createApp } from '../src/platform/app';
import { connect, type Database } from '../src/platform/database';
import { forget } from '../src/platform/identity';
import { Harness, PASSWORD, type TestClub } from './harness';

let harness: Harness;
beforeAll(async () => {
  harness = await Harness.start();
});
afterAll(() => harness.stop());

const HEAD = {
  ...{ clubName: 'Kestrel Bay Swimmers', timeZone: 'Pacific/Auckland', name: 'Ines Moll' },
  ...{ email: 'Ines@kestrel.example', password: 'three wet towels' },
};

/** A server on a database without a club. */
const onEmpty = (work: (app: FastifyInstance, code: string, owner: Database) => Promise<void>) =>
  harness.inOwnDatabase(async (owner, config) => {
    const database = await connect(config);
    const { jobs, work: heavy } = harness;
    const app = await createApp({ database, config, jobs, work: heavy });
    try {
      await work(app, (await setupCode(owner))!, owner);
    } finally {
      await app.close();
      await database.close();
    }
  });
const begin = (app: FastifyInstance, body: object, remoteAddress = '192.0.2.1') =>
  app.inject({ method: 'POST', url: '/api/v1/setup', payload: { ...HEAD, ...body }, remoteAddress });
const needed = async (app: FastifyInstance) => (await app.inject({ url: '/api/v1/setup' })).json<object>();

describe('the first club of a server', () => {
  it('is begun with the code the server prints, once, and its head coach is signed in', () =>
    onEmpty(async (app, code, owner) => {
      expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{4}(-[0-9A-HJKMNP-TV-Z]{4}){2}$/);
      // A second server of the same database prints the same.
      expect(await setupCode(owner)).toBe(code);
      expect(await needed(app)).toEqual({ needed: true });
      const answer = await begin(app, { code: ` ${code.toLowerCase().replaceAll('-', ' ')} ` });
      expect(answer.statusCode).toBe(201);
      expect(answer.json()).toMatchObject({ name: 'Ines Moll', role: 'head', clubName: 'Kestrel Bay Swimmers' });
      expect(answer.body).not.toContain('argon2');
      const cookies = { upwell_session: answer.cookies.find((c) => c.name === 'upwell_session')!.value };
      expect((await app.inject({ url: '/api/v1/squads', cookies })).json()).toEqual([]);
      expect(await needed(app)).toEqual({ needed: false });
      // Over: nobody learns whether a code was right.
      expect((await begin(app, { code })).statusCode).toBe(404);
      expect(await setupCode(owner)).toBeNull();
      const [club] = await owner.em.fork().execute<{ settings: object }[]>('select settings from club');
      expect(club!.settings).toEqual({ timeZone: 'Pacific/Auckland' });
      const payload = { email: 'ines@KESTREL.example', password: HEAD.password };
      expect((await app.inject({ method: 'POST', url: '/api/v1/account/sign-in', payload })).statusCode).toBe(200);
    }));

  it('is one club, however many begin at the same moment', () =>
    onEmpty(async (app, code, owner) => {
      const answers = await Promise.all(
        [1, 2, 3, 4].map((n) => begin(app, { code, email: `head${n}@kestrel.example` }, `192.0.2.${n}`)),
      );
      expect(answers.map((a) => a.statusCode).sort()).toEqual([201, 404, 404, 404]);
      expect(await owner.em.fork().execute('select id from club')).toHaveLength(1);
      expect(await owner.em.fork().execute('select id from account')).toHaveLength(1);
    }));

  it('is not begun by guessing: ten tries from one place', () =>
    onEmpty(async (app, code) => {
      const wrong = code.startsWith('0') ? '1111-1111-1111' : '0000-0000-0000';
      const codes = [];
      for (let i = 0; i < 12; i++) codes.push((await begin(app, { code: wrong })).statusCode);
      expect(codes).toEqual([...Array<number>(10).fill(403), 429, 429]);
      expect((await begin(app, { code })).statusCode).toBe(429);
      expect((await begin(app, { code }, '192.0.2.99')).statusCode).toBe(201);
    }));

  it.each<[string, object, number, string]>([
    ['a code of another shape', { code: 'let me in' }, 400, 'twelve letters and digits'],
    ['a time zone that is none', { timeZone: 'Mars/Olympus' }, 400, 'not a time zone'],
    ['a short password', { password: 'nine char' }, 400, 'at least 10 characters'],
    ['a common password', { password: 'Password123' }, 422, 'easy to guess'],
    ['a password of one letter', { password: 'aaaaaaaaaaaa' }, 422, 'easy to guess'],
    ['the address as a password', { password: 'ines-and-more' }, 422, 'easy to guess'],
    ['no name', { name: ' ' }, 400, 'fill'],
    ['no address', { email: 'ines' }, 400, 'mail'],
  ])('is not begun with %s', (_what, change, status, words) =>
    onEmpty(async (app, code) => {
      const answer = await begin(app, { code, ...change });
      expect([answer.statusCode, JSON.stringify(answer.json())]).toEqual([status, expect.stringContaining(words)]);
      expect(await needed(app)).toEqual({ needed: true });
    }),
  );

  it('is begun by somebody whose address is a letter', () =>
    onEmpty(async (app, code) => {
      expect((await begin(app, { code, email: 't@kestrel.example' })).statusCode).toBe(201);
    }));

  it('leaves no code where the app’s own role could read it', () =>
    onEmpty(async (_app, code, owner) => {
      expect(
        await owner.em.fork().execute(`select has_table_privilege('upwell_app', 'setup', 'select') as may`),
      ).toEqual([{ may: false }]);
      expect(code).toHaveLength(14);
    }));
});

describe('a password and the devices', () => {
  let club: TestClub;
  beforeAll(async () => {
    club = await harness.club();
  });
  const signIn = async (email: string, password = PASSWORD, agent = '') => {
    const answer = await harness.app.inject({
      method: 'POST',
      url: '/api/v1/account/sign-in',
      payload: { email, password },
      headers: { 'user-agent': agent },
    });
    return answer.cookies.find((c) => c.name === 'upwell_session')?.value ?? `${answer.statusCode}`;
  };
  const ask = (cookie: string, method: 'GET' | 'POST' | 'DELETE', path: string, payload?: object) =>
    harness.app.inject({
      method,
      url: `/api/v1${path}`,
      cookies: { upwell_session: cookie },
      ...(payload ? { payload } : {}),
    });

  it('is changed with the old one, and every other sign-in ends', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const [here, there] = [await signIn(email), await signIn(email)];
    const change = (old: string, next: string) => ask(here, 'POST', '/account/password', { old, new: next });
    expect((await change('not it', 'four dry towels')).statusCode).toBe(422);
    expect((await change(PASSWORD, 'password1234')).statusCode).toBe(422);
    expect((await change(PASSWORD, 'short')).statusCode).toBe(400);
    expect((await change(PASSWORD, 'four dry towels')).statusCode).toBe(204);
    forget(there);
    expect((await ask(here, 'GET', '/squads')).statusCode).toBe(200);
    expect((await ask(there, 'GET', '/squads')).statusCode).toBe(401);
    expect(await signIn(email)).toBe('401');
    expect((await signIn(email, 'four dry towels')).length).toBeGreaterThan(20);
  });

  it('is not guessed on a device somebody left signed in', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const here = await signIn(email);
    const codes = [];
    for (let i = 0; i < 11; i++)
      codes.push((await ask(here, 'POST', '/account/password', { old: `no ${i}`, new: 'four dry towels' })).statusCode);
    expect(codes).toEqual([...Array<number>(10).fill(422), 429]);
    expect((await ask(here, 'POST', '/account/password', { old: PASSWORD, new: 'four dry towels' })).statusCode).toBe(
      429,
    );
  });

  it('shows the devices of an account, ends one, and ends all others', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const linux = 'Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0';
    const here = await signIn(email, PASSWORD, linux);
    const [second, third] = [await signIn(email), await signIn(email)];
    const list = async () =>
      (await ask(here, 'GET', '/account/sign-ins')).json<{ id: string; device: string; here: boolean }[]>();
    const all = await list();
    expect(all.map((s) => s.here)).toEqual([true, false, false]);
    expect(all[0]!.device).toBe('Firefox on a computer (Linux)');
    expect(all[1]!.device).toBe('another program');
    expect(JSON.stringify(all)).not.toContain(here);
    expect((await ask(here, 'DELETE', `/account/sign-ins/${all[1]!.id}`)).statusCode).toBe(204);
    expect(await list()).toHaveLength(2);
    // Nobody ends what is not theirs.
    const stranger = await signIn(club.accounts.head!.email);
    expect((await ask(stranger, 'DELETE', `/account/sign-ins/${all[0]!.id}`)).statusCode).toBe(404);
    expect((await ask(here, 'DELETE', '/account/sign-ins')).statusCode).toBe(204);
    expect((await list()).map((s) => s.here)).toEqual([true]);
    for (const cookie of [second, third]) {
      forget(cookie);
      expect((await ask(cookie, 'GET', '/squads')).statusCode).toBe(401);
    }
    expect((await ask(here, 'GET', '/squads')).statusCode).toBe(200);
  });

  it('a sign-in that was not used for 30 days has ended, and none outlives 180', async () => {
    const { email } = await harness.addAccount(club.id, 'coach', null);
    const aged = async (column: string, age: string) => {
      const cookie = await signIn(email);
      const [{ id }] = (await ask(cookie, 'GET', '/account/sign-ins')).json<[{ id: string }]>();
      await harness.owner.em.fork().execute(`update sign_in_session set ${column} = now() ${age} where id = ?`, [id]);
      forget(cookie);
      return (await ask(cookie, 'GET', '/squads')).statusCode;
    };
    expect(await aged('used_at', "- interval '29 days'")).toBe(200);
    expect(await aged('used_at', "- interval '31 days'")).toBe(401);
    const [{ left }] = await harness.owner.em.fork().execute<[{ left: string }]>(
      `select max(expires_at) > now() + interval '179 days' and max(expires_at) < now() + interval '181 days' as left
       from sign_in_session s join account a on a.id = s.account_id where a.email = ?`,
      [email],
    );
    expect(left).toBe(true);
  });
});
