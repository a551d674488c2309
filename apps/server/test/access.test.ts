import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 } from 'uuid';
import { allRoutes, Harness, type Route, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let routes: readonly Route[];
let port: number;
const agent = new http.Agent({ keepAlive: true, maxSockets: 8 });
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  await harness.app.listen({ host: '127.0.0.1', port: 0 });
  port = (harness.app.server.address() as AddressInfo).port;
  routes = await allRoutes(harness);
});
afterAll(async () => {
  agent.destroy();
  await harness.stop();
});

/** Sends an address exactly as it is written, which `fetch` and `inject` would tidy up first. */
function raw(method: string, path: string, body?: string, cookie?: string): Promise<{ status: number; body: string }> {
  return new Promise((resolve, reject) => {
    const headers = {
      ...(body === undefined ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
      ...(cookie ? { cookie: `upwell_session=${cookie}` } : {}),
    };
    const request = http.request({ agent, host: '127.0.0.1', port, method, path, headers }, (response) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => resolve({ status: response.statusCode!, body: Buffer.concat(parts).toString() }));
    });
    request.on('error', reject);
    request.end(body);
  });
}

/** The routes that say they are for everybody; this list is the second place where it is written down. */
const FOR_EVERYBODY = [
  'POST /api/v1/account/sign-in',
  'POST /api/v1/account/sign-out',
  'GET /api/v1/account/me',
  'GET /api/v1/setup',
  'POST /api/v1/setup',
  'POST /api/v1/invitations/look',
  'POST /api/v1/invitations/accept',
  'POST /api/v1/account/reset/look',
  'POST /api/v1/account/reset',
  'GET /api/v1/handouts/{token}',
  'GET /api/v1/handouts/{token}/page.pdf',
  'GET /api/v1/calendars/{token}',
];
const forEverybody = (route: Route) => FOR_EVERYBODY.includes(`${route.method} ${route.path}`);

const percent = (letter: string) => `%${letter.charCodeAt(0).toString(16).padStart(2, '0')}`;

/** Other ways to write an address, which a router may or may not take for the same. */
const SPELLINGS: Readonly<Record<string, (path: string) => string>> = {
  plain: (path) => path,
  'one letter encoded': (path) => path.replace('/api', '/%61pi'),
  'the version encoded': (path) => path.replace('v1', '%76%31'),
  'every letter encoded': (path) => path.replace(/[a-z]/g, percent),
  'encoded in capitals': (path) => path.replace('/api', '/%61%70%69').toUpperCase(),
  'encoded twice': (path) => path.replace('/api', '/%2561pi'),
  'mixed case': (path) => path.replace('api', 'Api'),
  'all capitals': (path) => path.toUpperCase(),
  'doubled slashes': (path) => path.replaceAll('/', '//'),
  'a doubled slash inside': (path) => path.replace('/v1', '//v1'),
  'a slash at the end': (path) => `${path}/`,
  'an encoded slash': (path) => path.replace('/v1', '%2fv1'),
  'a dot on the way': (path) => path.replace('/v1', '/./v1'),
  'a step back': (path) => `/healthz/..${path}`,
  'an encoded step back': (path) => `/healthz/%2e%2e${path}`,
  'a semicolon': (path) => path.replace('/v1', '/v1;x=1'),
  'a question': (path) => `${path}?x=/healthz`,
  'a fragment': (path) => `${path}%23`,
  'a backslash': (path) => path.replace('/v1', '\\v1'),
  'a whole address': (path) => `http://127.0.0.1${path}`,
};

describe('a route that does not say it is public', () => {
  it.each(Object.keys(SPELLINGS))('answers nobody who is not signed in: %s', async (spelling) => {
    expect(routes.length).toBeGreaterThan(95);
    for (const route of routes.filter((r) => !forEverybody(r))) {
      const path = SPELLINGS[spelling]!(route.url);
      const body = route.method === 'GET' || route.method === 'DELETE' ? undefined : '{"nonsense":1}';
      const { status } = await raw(route.method, path, body);
      const allowed = spelling === 'plain' ? [401] : [401, 404];
      expect([route.method, path, allowed.includes(status)]).toEqual([route.method, path, true]);
    }
  });

  it('asks who it is before it reads a body, even one that is not JSON or too large', async () => {
    for (const body of ['{', 'x'.repeat(3_000_000), '{"events":[0,0,0]}']) {
      const { status } = await raw('POST', `/%61pi/v1/deck/runs/${v7()}/events`, body).catch(() => ({ status: 401 }));
      expect(status).toBe(401);
    }
  });

  it('tells a swimmer that it is not for them before it looks at what was sent', async () => {
    const swimmerId = await club.addSwimmer();
    await club.addAccount('swimmer', swimmerId);
    await club.as('swimmer').then((self) => self('GET', '/account/me'));
    const path = `/api/v1/deck/runs/${v7()}/events`;
    const { status } = await raw('POST', path, '{"events":[0,0,0]}', club.cookie('swimmer'));
    expect(status).toBe(403);
  });
});
