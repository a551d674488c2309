import http from 'node:http';
import { gzipSync } from 'node:zlib';
import net, { type AddressInfo } from 'node:net';
import { Piscina, type PiscinaTask } from 'piscina';
import { createApp } from '../src/platform/app';
import { FairQueue } from '../src/work/fairQueue';
import { readJson } from '../src/platform/readJson';
import { v7 } from 'uuid';
import { planOf, save, sessionOf, setOf, stored } from './bodies';
import { Harness, PASSWORD, type TestClub } from './harness';

/** Nobody stops the server for the others: turns, limits, bodies that never end. */
let harness: Harness;
let club: TestClub;
let here: Awaited<ReturnType<typeof stored>>;
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  here = await stored(club);
});
afterAll(() => harness.stop());

describe('the queue for heavy work', () => {
  const task = (owner: string, id: number) =>
    ({ id, [Piscina.queueOptionsSymbol]: { owner } }) as unknown as PiscinaTask & { id: number };
  const order = (queue: FairQueue) => {
    const ids: number[] = [];
    for (let next = queue.shift(); next; next = queue.shift()) ids.push((next as unknown as { id: number }).id);
    return ids;
  };

  it('gives everybody who waits their turn, however many one person has put in', () => {
    const queue = new FairQueue();
    for (let i = 0; i < 5; i++) queue.push(task('greedy', i));
    queue.push(task('a', 10));
    queue.push(task('b', 20));
    queue.push(task('b', 21));
    expect(queue.size).toBe(8);
    expect(order(queue)).toEqual([0, 10, 20, 1, 21, 2, 3, 4]);
    expect(queue.size).toBe(0);
  });

  it('lets go of a task that is not wanted any more', () => {
    const queue = new FairQueue();
    const tasks = [task('a', 1), task('a', 2), task('b', 3)];
    tasks.forEach((t) => queue.push(t));
    queue.remove(tasks[0]!);
    queue.remove(tasks[2]!);
    queue.remove(tasks[2]!);
    expect(queue.size).toBe(1);
    expect(order(queue)).toEqual([2]);
  });

  it('is given up when nobody waits for the answer any more, and others go on', async () => {
    const gone = new AbortController();
    // Twenty thousand tracks of a long leg: seconds of work.
    const leg = {
      distanceM: 1000,
      strokeLengthM: 1,
      speedMps: 1,
      biasDegPerStroke: 1,
      sdDegPerStroke: 3,
      lookCostS: 0.5,
      aimSdDeg: 0,
      seeProbability: 1,
      turnRadiusM: 3,
      currentMps: { along: 0, across: 0 },
      intervals: [1, 2, 3],
      tracks: 20_000,
      seed: 1,
    };
    const long = harness.work.run('simulate-leg', leg, { owner: 'a', signal: gone.signal });
    setTimeout(() => gone.abort(), 100);
    await expect(long).rejects.toMatchObject({ status: 429 });
    const text = await harness.work.run('session-text', { text: '4 x 50 crawl' }, { owner: 'b' });
    expect(text.totalM).toBe(200);
  });

  it('passes what a task refuses as it is, with its fields', async () => {
    const refused = harness.work.run('check-body', { schema: 'session', text: '{"title":1}' }, { owner: 'a' });
    await expect(refused).rejects.toMatchObject({ status: 400 });
  });

  it('takes only so much of one person at once', async () => {
    const many = Array.from({ length: 12 }, () =>
      harness.work.run('session-text', { text: '4 x 50 crawl\n'.repeat(900) }, { owner: 'greedy' }).then(
        () => 200,
        (error: { status: number }) => error.status,
      ),
    );
    const other = harness.work.run('session-text', { text: '4 x 50 crawl' }, { owner: 'other' });
    expect((await other).totalM).toBe(200);
    const answers = await Promise.all(many);
    expect(answers.filter((s) => s === 200)).toHaveLength(8);
    expect(answers.filter((s) => s === 429)).toHaveLength(4);
  });
});

describe('a body', () => {
  it('of half a megabyte is stored as one of a kilobyte is, with the same checks', async () => {
    const coach = await club.as('coach');
    const items = Array.from({ length: 400 }, (_, i) => setOf({ id: `s${i}`, note: 'word '.repeat(60).trim() }));
    // More items than a block may have: refused, with the field, although it was read elsewhere.
    const wrong = await coach('PUT', `/sessions/${v7()}`, {
      ...sessionOf(here.squadId, items),
      ...save(),
    });
    expect([wrong.status, wrong.body.fields[0].field]).toEqual([400, 'plan.groups.0.blocks.0.items']);
    const plan = planOf();
    const blocks = Array.from({ length: 8 }, (_, b) => ({
      ...plan.groups[0]!.blocks[0]!,
      id: `b${b}`,
      items: items.slice(b * 50, b * 50 + 50),
    }));
    const large = {
      ...sessionOf(here.squadId),
      plan: { ...plan, groups: [{ ...plan.groups[0]!, blocks }] },
      ...save(),
    };
    expect(JSON.stringify(large).length).toBeGreaterThan(200_000);
    const id = v7();
    expect((await coach('PUT', `/sessions/${id}`, large)).status).toBe(200);
    expect((await coach('GET', `/sessions/${id}`)).body.plan).toEqual(large.plan);
  });

  it.each([
    ['not JSON', '{"a":', 'not JSON'],
    ['nothing', '', 'not JSON'],
    ['a thousand brackets', '['.repeat(1000), 'nested too deeply'],
    ['rounds a thousand deep', `${'{"items":['.repeat(1000)}${']}'.repeat(1000)}`, 'nested too deeply'],
    ['a prototype', '{"__proto__":{"x":1}}', 'not JSON'],
  ])('that is %s is told in a sentence', (_name, text, words) => {
    expect(() => readJson(text)).toThrow(words);
  });

  it.each(['gzip', 'br', 'deflate', 'zstd', 'GZIP, gzip'])('is not unpacked here: refused as %s', async (encoding) => {
    await club.as('coach');
    const packed = gzipSync(JSON.stringify({ ...save(), note: ' '.repeat(50_000_000) }));
    expect(packed.length).toBeLessThan(100_000);
    const { statusCode, body } = await harness.app.inject({
      ...{ method: 'PUT', url: `/api/v1/sessions/${v7()}`, payload: packed },
      headers: { 'content-type': 'application/json', 'content-encoding': encoding },
      cookies: { upwell_session: club.cookie('coach') },
    });
    expect(statusCode).toBe(415);
    expect(JSON.parse(body).detail).toBe('Send it as it is, not compressed.');
  });

  it('may hold brackets in its text', () => {
    const text = { note: `${'['.repeat(200)}\\"{` };
    expect(readJson(JSON.stringify(text))).toEqual(text);
  });
});

describe('limits', () => {
  /** The same server with limits that a test can reach. */
  async function limited(limits: object, work: (port: number, cookie: string) => Promise<void>): Promise<void> {
    const config = { ...harness.config, limits: { ...harness.config.limits, ...limits } };
    const { database, jobs } = harness;
    const app = await createApp({ database, config, jobs, work: harness.work });
    await app.listen({ host: '127.0.0.1', port: 0 });
    try {
      const { email } = club.accounts.coach!;
      const signedIn = await app.inject({
        method: 'POST',
        url: '/api/v1/account/sign-in',
        payload: { email, password: PASSWORD },
      });
      await work((app.server.address() as AddressInfo).port, signedIn.cookies[0]!.value);
    } finally {
      await app.close();
    }
  }

  const get = (port: number, path: string, cookie?: string) =>
    new Promise<http.IncomingMessage>((resolve, reject) => {
      const headers = cookie ? { cookie: `upwell_session=${cookie}` } : {};
      http
        .get({ host: '127.0.0.1', port, path, headers }, (response) => resolve(response.resume()))
        .on('error', reject);
    });

  it('are counted for each account, and say when to come back', () =>
    limited({ perMinute: { account: 5, address: 1000, guests: 1000 } }, async (port, cookie) => {
      const answers = [];
      for (let i = 0; i < 7; i++) answers.push(await get(port, '/api/v1/squads', cookie));
      expect(answers.map((a) => a.statusCode)).toEqual([200, 200, 200, 200, 200, 429, 429]);
      expect(Number(answers[6]!.headers['retry-after'])).toBeGreaterThan(0);
      // Guests at the same address, and the watchman, are not concerned.
      expect((await get(port, '/api/v1/account/me')).statusCode).toBe(200);
      expect((await get(port, '/healthz')).statusCode).toBe(200);
    }));

  it('are counted for each address, also of people who are not signed in', () =>
    limited({ perMinute: { account: 1000, address: 1000, guests: 3 } }, async (port, cookie) => {
      const statuses = [];
      for (let i = 0; i < 5; i++) statuses.push((await get(port, '/api/v1/squads')).statusCode);
      // The sign-in above was the first of a guest.
      expect(statuses).toEqual([401, 401, 429, 429, 429]);
      expect((await get(port, '/api/v1/squads', cookie)).statusCode).toBe(200);
    }));

  it('end a request whose body never comes, and leave the others alone', () =>
    limited({ bodyMs: 300 }, async (port, cookie) => {
      const socket = net.connect(port, '127.0.0.1');
      const said: Buffer[] = [];
      socket.on('data', (data) => said.push(data));
      const head = [
        'PUT /api/v1/tests/01a20bb8-5dce-719c-8bc2-8d9b01d7e603 HTTP/1.1',
        'host: x',
        `cookie: upwell_session=${cookie}`,
        'content-type: application/json',
        'content-length: 1000',
      ];
      socket.write(`${head.join('\r\n')}\r\n\r\n{"half":`);
      const closed = new Promise((resolve) => socket.once('close', resolve));
      expect((await get(port, '/api/v1/squads', cookie)).statusCode).toBe(200);
      await closed;
      expect(Buffer.concat(said).toString()).toMatch(/^HTTP\/1\.1 408/);
      expect((await get(port, '/api/v1/squads', cookie)).statusCode).toBe(200);
    }));
});
