import { get, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Here } from '@upwell/contract/live';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import { createApp } from '../src/platform/app';
import { eventsOf, save, sessionOf } from './bodies';
import { Harness, type TestClub } from './harness';

/** What two coaches with one session open hear of each other: over real connections, at two server processes. */
let harness: Harness;
let club: TestClub;
const servers: { readonly app: FastifyInstance; readonly url: string }[] = [];
const open: Stream[] = [];

beforeAll(async () => {
  harness = await Harness.start();
  const { config, database, jobs, work } = harness;
  for (let i = 0; i < 2; i++) {
    const limits = { ...config.limits, beatMs: 150 };
    const app = await createApp({ database, config: { ...config, limits }, jobs, work });
    await app.listen({ host: '127.0.0.1', port: 0 });
    servers.push({ app, url: `http://127.0.0.1:${(app.server.address() as AddressInfo).port}/api/v1` });
  }
  club = await harness.club();
});
afterEach(() => open.splice(0).forEach((stream) => stream.close()));
afterAll(async () => {
  for (const { app } of servers) await app.close();
  await harness.stop();
});

interface Event {
  readonly event: string;
  readonly data: unknown;
}

/** A stream of events, read as a browser reads it. */
class Stream {
  readonly events: Event[] = [];
  ended = false;
  private readonly waiting: (() => void)[] = [];
  private text = '';

  private constructor(private readonly response: IncomingMessage) {
    response.setEncoding('utf8');
    response.on('data', (chunk: string) => this.take(chunk));
    // However it ends: the server ended it, or the test closed it.
    response.on('error', () => undefined);
    response.on('close', () => (this.ended = true));
  }

  static async open(session: string, cookie: string, { at = 0, device = v7() } = {}): Promise<Stream> {
    const headers = { accept: 'text/event-stream', cookie: `upwell_session=${cookie}` };
    const url = `${servers[at]!.url}/sessions/${session}/live?device=${device}`;
    const response = await new Promise<IncomingMessage>((done, failed) =>
      get(url, { agent: false, headers }, done).on('error', failed),
    );
    const stream = new Stream(response);
    open.push(stream);
    return stream;
  }

  get status(): number {
    return this.response.statusCode!;
  }

  get headers() {
    return this.response.headers;
  }

  /** Resolves with the first event that is, or was, like this. */
  async heard(is: (event: Event) => boolean): Promise<Event> {
    for (;;) {
      const found = this.events.find(is);
      if (found) return found;
      await new Promise<void>((done) => this.waiting.push(done));
    }
  }

  version = (version: number | null) =>
    this.heard(({ event, data }) => event === 'session' && (data as { version: unknown }).version === version);
  people = (names: readonly string[]) =>
    this.heard(({ event, data }) => event === 'here' && JSON.stringify(namesOf(data)) === JSON.stringify(names));

  async end(): Promise<void> {
    while (!this.ended) await new Promise((done) => setTimeout(done, 20));
  }

  close(): void {
    this.response.destroy();
  }

  private take(chunk: string): void {
    const parts = (this.text + chunk).split('\n\n');
    this.text = parts.pop()!;
    for (const part of parts) {
      const [, event, data] = /^event: (\w+)\ndata: (.*)$/s.exec(part) ?? [];
      if (event) this.events.push({ event, data: JSON.parse(data!) });
    }
    this.waiting.splice(0).forEach((done) => done());
  }
}

const namesOf = (data: unknown) => (data as readonly Here[]).map(({ name }) => name).sort();

async function session(of = club) {
  const id = v7();
  const coach = await of.as('coach');
  const body = { ...sessionOf(of.squads[0]!), ...save() };
  expect((await coach('PUT', `/sessions/${id}`, body)).status).toBe(200);
  const change = (version: number, title: string) =>
    coach('PUT', `/sessions/${id}`, { ...body, title, ...save(), version });
  return { id, coach, change };
}

describe('a server that is told to leave', () => {
  it('ends a stream that was asked for just before', async () => {
    const { id } = await session();
    const { config, database, jobs, work, owner } = harness;
    const app = await createApp({ database, config, jobs, work });
    await app.listen({ host: '127.0.0.1', port: 0 });
    const url = `http://127.0.0.1:${(app.server.address() as AddressInfo).port}/api/v1/sessions/${id}/live?device=${v7()}`;
    let status!: Promise<number>;
    let left!: Promise<void>;
    await owner.em.fork().transactional(async (em) => {
      await em.execute('lock table training_session in access exclusive mode');
      const headers = { accept: 'text/event-stream', cookie: `upwell_session=${club.cookie('coach')}` };
      status = new Promise((done, failed) =>
        get(url, { agent: false, headers }, (response) => done(response.resume().statusCode!)).on('error', failed),
      );
      const waits = `select from pg_locks where not granted and relation = 'training_session'::regclass`;
      while (!(await em.execute<object[]>(waits)).length) await new Promise((resolve) => setTimeout(resolve, 20));
      left = app.close();
      await new Promise((resolve) => setTimeout(resolve, 100));
    });
    expect(await status).toBe(503);
    await left;
  });
});

describe('a session that is open in two places', () => {
  it('says at once which version there is, and every later one, at every server process', async () => {
    const { id, change } = await session();
    await club.as('head');
    const streams = [
      await Stream.open(id, club.cookie('coach')),
      await Stream.open(id, club.cookie('head'), { at: 1 }),
    ];
    for (const stream of streams) await stream.version(1);
    // As safe as every other answer.
    expect(streams[0]!.headers).toMatchObject({
      ...{ 'cache-control': 'no-store', 'x-content-type-options': 'nosniff' },
      'content-security-policy': expect.stringContaining("default-src 'self'"),
    });
    expect((await change(1, 'Another name')).status).toBe(200);
    for (const stream of streams) await stream.version(2);
    // Nothing of the session itself goes over the stream.
    for (const { events } of streams) expect(JSON.stringify(events)).not.toContain('Another name');
  });

  it('says when something is noted while it is run, and when it is taken out', async () => {
    const { id, coach } = await session();
    const stream = await Stream.open(id, club.cookie('coach'), { at: 1 });
    await stream.heard(({ event }) => event === 'run');
    stream.events.length = 0;
    const swimmer = await club.addSwimmer();
    const events = eventsOf(swimmer, v7()).slice(0, 1);
    expect((await coach('POST', `/deck/runs/${id}/events`, { events })).status).toBe(200);
    await stream.heard(({ event }) => event === 'run');
    expect((await coach('DELETE', `/sessions/${id}`)).status).toBe(200);
    await stream.version(null);
  });

  it('says who has it open, each device once, wherever they are connected', async () => {
    const { id } = await session();
    await club.as('head');
    const device = v7();
    const mine = await Stream.open(id, club.cookie('coach'), { device });
    const name = (role: 'coach' | 'head') => `${role} ${club.accounts[role]!.id.slice(-4)}`;
    await mine.people([name('coach')]);
    await Stream.open(id, club.cookie('coach'), { device });
    const theirs = await Stream.open(id, club.cookie('head'), { at: 1 });
    await mine.people([name('coach'), name('head')]);
    await theirs.people([name('coach'), name('head')]);
    mine.events.length = 0;
    theirs.close();
    await mine.people([name('coach')]);
  });

  it('is for coaches who may see it', async () => {
    const { id } = await session();
    const swimmer = await club.addSwimmer();
    await club.addAccount('swimmer', swimmer);
    await club.as('swimmer');
    const other = await harness.club();
    await other.as('coach');
    expect((await Stream.open(id, club.cookie('swimmer'))).status).toBe(403);
    expect((await Stream.open(id, other.cookie('coach'))).status).toBe(404);
    expect((await Stream.open(v7(), club.cookie('coach'))).status).toBe(404);
    expect((await Stream.open(id, 'nobody')).status).toBe(401);
  });

  it('is answered once for those who do not ask for a stream', async () => {
    const { id, coach } = await session();
    const { status, body } = await coach('GET', `/sessions/${id}/live?device=${v7()}`);
    expect([status, body]).toEqual([200, { version: 1, here: [] }]);
    expect((await coach('GET', `/sessions/${id}/live`)).status).toBe(400);
  });

  it('ends for who has signed out', async () => {
    const leaving = await harness.club();
    const { id } = await session(leaving);
    const cookie = leaving.cookie('coach');
    const stream = await Stream.open(id, cookie);
    await stream.version(1);
    expect((await (await leaving.as('coach'))('POST', '/account/sign-out')).status).toBe(204);
    await stream.end();
  });

  it('is not held open without end by one account', async () => {
    const busy = await harness.club();
    const { id } = await session(busy);
    const cookie = busy.cookie('coach');
    const streams = await Promise.all(Array.from({ length: 30 }, () => Stream.open(id, cookie)));
    const statuses = streams.map(({ status }) => status);
    expect(statuses.filter((status) => status === 200)).toHaveLength(24);
    expect(statuses.filter((status) => status === 429)).toHaveLength(6);
  });

  it('goes on when the connection to the database breaks, and asks for what was missed', async () => {
    const { id, change } = await session();
    const stream = await Stream.open(id, club.cookie('coach'));
    await stream.version(1);
    await harness.owner.em
      .fork()
      .execute(`select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'upwell live'`);
    await stream.version(-1);
    expect((await change(1, 'After the break')).status).toBe(200);
    await stream.version(2);
  });
});
