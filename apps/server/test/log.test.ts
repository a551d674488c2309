import type { FastifyInstance } from 'fastify';
import { createApp } from '../src/platform/app';
import { save, swimmerOf } from './bodies';
import { Harness, PASSWORD, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let app: FastifyInstance;
let lines: string[];
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  const { database, jobs, work } = harness;
  const config = {
    ...harness.config,
    limits: { ...harness.config.limits, perMinute: { account: 1000, address: 1000, guests: 6 } },
  };
  app = await createApp({ database, config, jobs, work, log: { write: (line) => lines.push(line) } });
  await app.ready();
});
beforeEach(() => (lines = []));
afterAll(async () => {
  await app.close();
  await harness.stop();
});

const signIn = (email: string, password: string) =>
  app.inject({ method: 'POST', url: '/api/v1/account/sign-in', payload: { email, password } });
/** The lines that say something happened, without those of every request. */
const said = (what: string) => lines.map((line) => JSON.parse(line)).filter((line) => line.msg === what);

describe('the log', () => {
  it('tells of a sign-in that failed, and of one that did not, by account and address', async () => {
    const { email, id } = club.accounts.coach!;
    expect((await signIn(email, 'wrong-password-xyz')).statusCode).toBe(401);
    expect((await signIn('nobody-here@club.example', 'wrong-password-xyz')).statusCode).toBe(401);
    expect((await signIn(email, PASSWORD)).statusCode).toBe(200);
    expect(said('a sign-in failed')).toMatchObject([
      { level: 40, account: id, address: '127.0.0.1' },
      { level: 40, account: null, address: '127.0.0.1' },
    ]);
    expect(said('signed in')).toMatchObject([{ account: id }]);
    for (const secret of [email, 'nobody-here', 'wrong-password-xyz', PASSWORD, 'upwell_session='])
      expect([secret, lines.join('').includes(secret)]).toEqual([secret, false]);
  });

  it('tells of what was refused, with who asked for what', async () => {
    await club.as('coach');
    const answer = await app.inject({ url: '/api/v1/looks', cookies: { upwell_session: club.cookie('coach') } });
    expect(answer.statusCode).toBe(403);
    expect(said('refused')).toMatchObject([{ account: club.accounts.coach!.id, route: '/api/v1/looks' }]);
  });

  it('holds neither the names that were searched for nor the secret of a link', async () => {
    await club.as('coach');
    const cookies = { upwell_session: club.cookie('coach') };
    const secret = 'k'.repeat(43);
    expect((await app.inject({ url: '/api/v1/swimmers?search=Secretname', cookies })).statusCode).toBe(200);
    expect((await app.inject({ url: `/api/v1/handouts/${secret}` })).statusCode).toBe(404);
    expect((await app.inject({ url: `/api/v1/nothing/${secret}?name=Secretname`, cookies })).statusCode).toBe(404);
    expect(said('incoming request')).toMatchObject([
      { req: { method: 'GET', route: '/api/v1/swimmers' } },
      { req: { method: 'GET', route: '/api/v1/handouts/:token' } },
      { req: { method: 'GET' } },
    ]);
    expect(lines.join('')).not.toMatch(/Secretname|kkkkk/);
  });

  it('holds nobody’s values when a save fails in the database', async () => {
    await club.as('coach');
    const stranger = await harness.club();
    const taken = await stranger.addSwimmer();
    const payload = {
      ...swimmerOf(club.squads[0]!),
      ...{
        givenName: 'Logkid',
        familyName: 'Secretname',
        birthYear: 2014,
        healthFlags: ['asthma'],
        healthConsent: true,
      },
      ...save(),
    };
    // An id of another club: only the database knows of it.
    const url = `/api/v1/swimmers/${taken}`;
    const answer = await app.inject({
      method: 'PUT',
      url,
      payload,
      cookies: { upwell_session: club.cookie('coach') },
    });
    expect(answer.statusCode).toBe(404);
    expect(said('refused by the database')).toMatchObject([{ err: { code: '23505', table: 'swimmer' } }]);
    expect(lines.join('')).not.toMatch(/Logkid|Secretname|asthma|2014|insert into/);
  });

  it('tells of too many requests once a minute and address, not once a request', async () => {
    const statuses = [];
    for (let i = 0; i < 12; i++) statuses.push((await app.inject({ url: '/api/v1/squads' })).statusCode);
    expect(statuses.filter((s) => s === 429).length).toBeGreaterThanOrEqual(6);
    expect(said('too many requests')).toHaveLength(1);
  });
});
