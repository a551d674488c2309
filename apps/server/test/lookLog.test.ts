// The log of looks at children, by itself: which ids of an answer it finds, and what happens when it cannot note.
import Fastify, { type FastifyInstance } from 'fastify';
import fc from 'fast-check';
import { v7 } from 'uuid';
import type { SignedIn } from '../src/platform/identity';
import { looks } from '../src/swimmers/looks';
import { Harness, type TestClub } from './harness';

let harness: Harness;
let club: TestClub;
let me: SignedIn;
let app: FastifyInstance;
/** What the only route answers with next. */
let answer = '';

beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  me = {
    ...{ accountId: club.accounts.head!.id, clubId: club.id, role: 'head', swimmerId: null, squadIds: [] },
    ...{ name: 'Head', clubName: 'Club', timeZone: 'Europe/Berlin', units: 'm', libraryVersion: 0 },
  } as SignedIn;
  app = await newLog();
});
afterAll(async () => {
  await app.close();
  await harness.stop();
});

/** A server with nothing but a log that has noted nothing yet, and one route. */
async function newLog(): Promise<FastifyInstance> {
  const server = Fastify();
  server.decorateRequest('me', null);
  server.addHook('onRequest', async (request) => {
    request.me = me;
  });
  await server.register(looks, { database: harness.database });
  server.get('/text', async () => answer);
  return server;
}

const ask = (text: string) => {
  answer = text;
  return app.inject('/text');
};
const logged = async (swimmerId: string): Promise<number> => {
  const rows = await harness.owner.em
    .fork()
    .execute<{ what: string }[]>('select what from access_log where swimmer_id = ?', [swimmerId]);
  expect(rows.every(({ what }) => what === 'GET /text')).toBe(true);
  return rows.length;
};

it.each([
  ['by itself', (id: string) => id],
  ['in JSON', (id: string) => JSON.stringify({ items: [{ id }] })],
  ['behind what could be the end of another', (id: string) => `a-1234-1234-1234-${id}`],
  ['behind one that is cut off', (id: string) => `${id.slice(0, 24)}${id}`],
  ['behind a dash', (id: string) => `-${id}`],
  ['in front of dashes', (id: string) => `${id}-0000-0000-0000-000000000000`],
  ['the last of many', (id: string) => [...Array.from({ length: 40 }, () => v7()), id].join(',')],
])('finds a child whose id stands %s', async (_where, text) => {
  const child = await club.addSwimmer(undefined, { birthYear: 2014 });
  expect((await ask(text(child))).statusCode).toBe(200);
  expect(await logged(child)).toBe(1);
});

it('notes a child once an hour for the same page, however often it is named or shown', async () => {
  const child = await club.addSwimmer(undefined, { birthYear: 2014 });
  await ask(`${child} ${child}`);
  await ask(`${child} again`);
  expect(await logged(child)).toBe(1);
});

it('notes nobody who is grown up, and nothing that only looks like an id', async () => {
  const grownUp = await club.addSwimmer(undefined, { birthYear: 1990 });
  for (const text of [grownUp, grownUp.toUpperCase(), `${grownUp.slice(0, -1)}g`, '-'.repeat(2000)]) {
    expect((await ask(text)).statusCode).toBe(200);
  }
  expect(await logged(grownUp)).toBe(0);
});

it('finds an id in any text', async () => {
  const child = await club.addSwimmer(undefined, { birthYear: 2014 });
  await fc.assert(
    fc.asyncProperty(
      fc.string({ unit: fc.constantFrom('-', '0', 'a', 'f', 'x', ' ') }),
      fc.string({ unit: fc.constantFrom('-', '0', 'a', ' ') }),
      async (before, after) => {
        await harness.owner.em.fork().execute('delete from access_log where swimmer_id = ?', [child]);
        const own = await newLog();
        answer = before + child + after;
        await own.inject('/text');
        await own.close();
        expect(await logged(child)).toBe(1);
      },
    ),
    { numRuns: 50 },
  );
});

it('shows nothing that it could not note', async () => {
  const child = await club.addSwimmer(undefined, { birthYear: 2014 });
  // Nobody with this account can be named in the log.
  me = { ...me, accountId: v7() };
  const refused = await ask(`Ada ${child}`);
  expect(refused.statusCode).toBe(500);
  expect(refused.body).not.toContain('Ada');
  expect(await logged(child)).toBe(0);
  me = { ...me, accountId: club.accounts.head!.id };
  expect((await ask(`Ada ${child}`)).body).toContain('Ada');
  expect(await logged(child)).toBe(1);
});
