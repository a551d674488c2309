import { deviceZone } from '@upwell/core/days';
import type { DeckEvent } from '@upwell/core/deck';
import { fact, forgetSeen, openFor, setFact } from '@/offline/db';
import { differences } from '@/offline/differences';
import {
  dropEvents,
  eventsOf,
  keepEvent,
  lastTaken,
  refusedEvents,
  retryEvents,
  sendEvents,
  takeEvents,
  waitingEvents,
} from '@/offline/events';
import { addressOf } from '@/offline/keeper';
import { offlineWords } from '@/offline/OfflineBar';
import { dropChange, enqueue, keepMine, sendChanges, waitingChanges, type Post, type Sent } from '@/offline/outbox';
import { keepPage, keptPage, keptZone, patchPage } from '@/offline/pages';
import { deleteDB, openDB } from 'idb';
import { PLAN, SESSION } from './fakeServer';

let account = 0;
// Every test signs in as somebody else, which opens a device of its own.
beforeEach(() => openFor(`account-${account++}`));

const change = (path: string, body: object = {}) => ({ id: path, path, method: 'PUT' as const, body, label: path });
const stored: Sent = { kind: 'stored', data: null };

/** Answers one after the other and remembers what was asked. */
function network(...answers: Sent[]): { post: Post; asked: string[] } {
  const asked: string[] = [];
  return {
    asked,
    post: async ({ path, body }) => {
      asked.push(`${path} ${JSON.stringify(body)}`);
      return answers.shift() ?? stored;
    },
  };
}

describe('changes on their way', () => {
  it('go in their order, each once', async () => {
    await enqueue(change('/a', { n: 1 }));
    await enqueue(change('/b', { n: 2 }));
    await enqueue(change('/a', { n: 3 }));
    const { post, asked } = network();
    expect((await sendChanges(post)).server).toBe('reached');
    expect(asked).toEqual(['/a {"n":1}', '/b {"n":2}', '/a {"n":3}']);
    expect(await waitingChanges()).toEqual([]);
    await sendChanges(post);
    expect(asked).toHaveLength(3);
  });

  it('stay as they are without a network, and nothing behind them is tried', async () => {
    await enqueue(change('/a'));
    await enqueue(change('/b'));
    const { post, asked } = network({ kind: 'no-network' });
    expect((await sendChanges(post)).server).toBe('lost');
    expect(asked).toHaveLength(1);
    expect((await waitingChanges()).map((c) => [c.path, c.state])).toEqual([
      ['/a', 'waiting'],
      ['/b', 'waiting'],
    ]);
  });

  it('hold later ones of the same thing when two versions meet, and let others pass', async () => {
    await enqueue(change('/a', { version: 1 }));
    await enqueue(change('/a', { version: 2 }));
    await enqueue(change('/b'));
    const conflict: Sent = { kind: 'conflict', status: 409, problem: { detail: 'Changed.', current: { version: 7 } } };
    const first = network(conflict);
    await sendChanges(first.post);
    expect(first.asked.map((a) => a.slice(0, 2))).toEqual(['/a', '/b']);
    const [stuck, behind] = await waitingChanges();
    expect(stuck).toMatchObject({ state: 'conflict', problem: 'Changed.', current: { version: 7 } });
    expect(behind!.state).toBe('waiting');
    // Mine counts: sent again on top of what the server holds.
    await keepMine(stuck!);
    const second = network();
    await sendChanges(second.post);
    expect(second.asked[0]).toBe('/a {"version":7}');
    expect(await waitingChanges()).toEqual([]);
  });

  it('keep a refusal with its reason until the coach drops it', async () => {
    const seq = await enqueue(change('/a'));
    await sendChanges(network({ kind: 'refused', status: 422, problem: { detail: 'Too deep.' } }).post);
    expect(await waitingChanges()).toMatchObject([{ state: 'refused', problem: 'Too deep.' }]);
    await dropChange(seq);
    expect(await waitingChanges()).toEqual([]);
  });

  it('give a refusal back to the screen that waits for it', async () => {
    const seq = await enqueue(change('/a'));
    const refused: Sent = { kind: 'refused', status: 422, problem: { detail: 'No.' } };
    const { sent } = await sendChanges(network(refused).post, new Set([seq]));
    expect(sent.get(seq)).toEqual(refused);
    expect(await waitingChanges()).toEqual([]);
  });

  it('are replaced by a newer word on the same thing when they are stuck', async () => {
    await enqueue(change('/a', { n: 1 }));
    await sendChanges(network({ kind: 'refused', status: 422, problem: {} }).post);
    await enqueue(change('/a', { n: 2 }));
    const { post, asked } = network();
    await sendChanges(post);
    expect(asked).toEqual(['/a {"n":2}']);
  });
});

describe('a change on which the server fails', () => {
  const failing: Sent = { kind: 'server-error', problem: { detail: 'Something went wrong.' } };
  const ID = '01a20bb8-5dce-719c-8bc2-8d9b01d7e695';
  /** Fails on some addresses, stores the others. */
  const failsOn = (bad: RegExp) => {
    const asked: string[] = [];
    const post: Post = async ({ path }) => {
      asked.push(path);
      return bad.test(path) ? failing : stored;
    };
    return { post, asked };
  };

  it('does not hold up the others, is tried three times, then set aside with what the server said', async () => {
    await enqueue(change('/courses/a', { version: 0 }));
    await enqueue(change('/swimmers/b', { version: 1 }));
    const { post, asked } = failsOn(/courses/);
    expect((await sendChanges(post)).server).toBe('reached');
    expect(asked).toEqual(['/courses/a', '/swimmers/b']);
    expect(await waitingChanges()).toMatchObject([{ state: 'waiting', failures: 1 }]);
    await sendChanges(post);
    await sendChanges(post);
    expect(await waitingChanges()).toMatchObject([{ state: 'failed', failures: 3, problem: 'Something went wrong.' }]);
    // Set aside: not tried again by itself …
    await sendChanges(post);
    expect(asked.filter((a) => a === '/courses/a')).toHaveLength(3);
    // … but whenever the coach says so, and from the beginning.
    const [entry] = await waitingChanges();
    await keepMine(entry!);
    await sendChanges(post);
    expect(await waitingChanges()).toMatchObject([{ state: 'waiting', failures: 1 }]);
    await sendChanges(failsOn(/nothing/).post);
    expect(await waitingChanges()).toEqual([]);
  });

  it('holds up what names the thing it makes, and nothing that merely stands beside it', async () => {
    await enqueue(change(`/swimmers/${ID}`, { version: 0, givenName: 'New' }));
    await enqueue(change('/reviews/r', { version: 0, swimmerId: ID }));
    await enqueue(change(`/swimmers/${ID}/race-plan?date=2026-12-01`, { version: 0 }));
    await enqueue(change('/sessions/s', { version: 0 }));
    const { post, asked } = failsOn(/^\/swimmers/);
    const { left } = await sendChanges(post);
    expect(asked).toEqual([`/swimmers/${ID}`, '/sessions/s']);
    expect(left.map((c) => c.path)).toEqual([
      `/swimmers/${ID}`,
      '/reviews/r',
      `/swimmers/${ID}/race-plan?date=2026-12-01`,
    ]);
    // Of a swimmer who is there already a review does not wait for the change of the name.
    openFor(`account-${account++}`);
    await enqueue(change(`/swimmers/${ID}`, { version: 4 }));
    await enqueue(change('/reviews/r', { version: 0, swimmerId: ID }));
    const again = failsOn(/^\/swimmers/);
    await sendChanges(again.post);
    expect(again.asked).toEqual([`/swimmers/${ID}`, '/reviews/r']);
  });

  it('is not counted when the server only asks to come back later', async () => {
    for (const path of ['/a', '/b', '/c', '/d', '/e']) await enqueue(change(path));
    const busy: Sent = { kind: 'busy' };
    const { post, asked } = network(busy, busy, busy, busy, busy);
    expect((await sendChanges(post)).server).toBe('busy');
    // Someone who says so three times in a row means all of them.
    expect(asked).toHaveLength(3);
    expect((await waitingChanges()).map((c) => [c.state, c.failures])).toEqual(
      Array.from({ length: 5 }, () => ['waiting', undefined]),
    );
  });

  it.each<[string, Sent]>([
    ['is never taken', { kind: 'busy' }],
    ['breaks the connection each time', { kind: 'broken', problem: { detail: 'It broke.' } }],
  ])('lets the others go, also when one %s', async (_name, outcome) => {
    await enqueue(change('/a', { version: 1 }));
    await enqueue(change('/b', { version: 1 }));
    await enqueue(change('/a', { version: 2 }));
    const asked: string[] = [];
    const post: Post = async ({ path }) => {
      asked.push(path);
      return path === '/a' ? outcome : stored;
    };
    expect((await sendChanges(post)).server).toBe(outcome.kind === 'busy' ? 'busy' : 'reached');
    expect(asked).toEqual(['/a', '/b']);
    expect((await waitingChanges()).map((c) => c.path)).toEqual(['/a', '/a']);
    // A connection may break by chance: it is set aside only when it breaks ten times.
    for (let i = 0; i < 8; i++) await sendChanges(post);
    expect((await waitingChanges())[0]!.state).toBe('waiting');
    await sendChanges(post);
    expect((await waitingChanges())[0]!.state).toBe(outcome.kind === 'busy' ? 'waiting' : 'failed');
  });

  it('whatever fails and whatever depends on what: each change is stored once, in order, or still here', async () => {
    // Ten changes of three things; the server fails at random until it does not any more.
    for (let seed = 1; seed <= 25; seed++) {
      openFor(`account-${account++}`);
      let state = seed;
      const random = () => (state = (state * 16807) % 2147483647) / 2147483647;
      for (let i = 0; i < 10; i++) await enqueue(change(`/thing/${Math.floor(random() * 3)}`, { version: 1, i }));
      const got: { path: string; i: number }[] = [];
      let calm = false;
      const post: Post = async ({ path, body }) => {
        const luck = calm ? 1 : random();
        if (luck < 0.2) return failing;
        if (luck < 0.3) return { kind: 'no-network' };
        if (luck < 0.4) return { kind: 'busy' };
        if (luck < 0.45) return { kind: 'broken', problem: {} };
        got.push({ path, i: (body as { i: number }).i });
        return stored;
      };
      for (let pass = 0; pass < 6; pass++) await sendChanges(post);
      const here = (await waitingChanges()).map((c) => (c.body as { i: number }).i);
      expect([...got.map((g) => g.i), ...here].sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
      calm = true;
      for (const entry of await waitingChanges()) if (entry.state === 'failed') await keepMine(entry);
      await sendChanges(post);
      expect(await waitingChanges()).toEqual([]);
      for (const path of ['/thing/0', '/thing/1', '/thing/2']) {
        const order = got.filter((g) => g.path === path).map((g) => g.i);
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }
    }
  });
});

const event = (n: number): DeckEvent => ({ id: `e${String(n).padStart(4, '0')}`, atMs: n, device: 'd', kind: 'end' });

describe('what is noted on deck', () => {
  it('goes run by run in its order, in pieces, and is never sent twice without need', async () => {
    for (let n = 449; n >= 0; n--) await keepEvent('s', event(n));
    await keepEvent('t', event(1000));
    const batches: string[][] = [];
    const post = async (_session: string, events: readonly DeckEvent[]) => {
      batches.push(events.map((e) => e.id));
      return { kind: 'stored' } as const;
    };
    expect(await sendEvents(post)).toEqual({ server: 'reached', failed: false });
    expect(batches.map((b) => b.length)).toEqual([200, 200, 50, 1]);
    expect(batches.slice(0, 3).flat()).toEqual(Array.from({ length: 450 }, (_, n) => event(n).id));
    await sendEvents(post);
    expect(batches).toHaveLength(4);
    expect(await eventsOf('s')).toHaveLength(450);
  });

  it('is sent again when the answer was lost', async () => {
    await keepEvent('s', event(1));
    expect((await sendEvents(async () => ({ kind: 'no-network' }))).server).toBe('lost');
    expect(await waitingEvents()).toHaveLength(1);
  });

  it('stays with the reason when it is refused', async () => {
    await keepEvent('s', event(1));
    await sendEvents(async () => ({ kind: 'refused', reason: 'Not yours.' }));
    expect(await waitingEvents()).toEqual([]);
    expect(await refusedEvents()).toMatchObject([{ refused: 'Not yours.' }]);
  });

  it('finds the one note the server fails on, sends all others, and leaves other runs alone', async () => {
    for (let n = 0; n < 60; n++) await keepEvent('s', event(n));
    await keepEvent('t', event(1000));
    const bad = event(17).id;
    const got = new Set<string>();
    const post = async (_session: string, events: readonly DeckEvent[]) => {
      if (events.some((e) => e.id === bad)) return { kind: 'failed', reason: 'Something went wrong.' } as const;
      events.forEach((e) => got.add(e.id));
      return { kind: 'stored' } as const;
    };
    expect(await sendEvents(post)).toEqual({ server: 'reached', failed: true });
    expect([...got]).toEqual([event(1000).id]);
    for (let pass = 0; pass < 3; pass++) await sendEvents(post);
    expect(got.size).toBe(60);
    expect(await waitingEvents()).toEqual([]);
    const aside = await refusedEvents();
    expect(aside).toMatchObject([{ id: bad, refused: 'Something went wrong.' }]);
    // Tried again when the coach says so, or dropped for good.
    await retryEvents(aside);
    expect(await waitingEvents()).toHaveLength(1);
    await dropEvents(await waitingEvents());
    expect(await waitingEvents()).toEqual([]);
    expect(await refusedEvents()).toEqual([]);
  });

  it.each(['busy', 'broken'] as const)('lets other runs go when one is %s each time', async (kind) => {
    for (let n = 0; n < 3; n++) await keepEvent('s', event(n));
    await keepEvent('t', event(1000));
    const asked: string[] = [];
    const post = async (session: string, events: readonly DeckEvent[]) => {
      asked.push(`${session} ${events.length}`);
      return session === 't' ? ({ kind: 'stored' } as const) : ({ kind, reason: 'It broke.' } as const);
    };
    await sendEvents(post);
    expect(asked).toEqual(['s 3', 't 1']);
    expect((await waitingEvents()).map((e) => e.session)).toEqual(['s', 's', 's']);
    for (let pass = 0; pass < 8; pass++) await sendEvents(post);
    expect(await refusedEvents()).toEqual([]);
    await sendEvents(post);
    expect(await refusedEvents()).toHaveLength(kind === 'broken' ? 3 : 0);
  });

  it('waits for the save of its own session and for nothing else', async () => {
    await keepEvent('new', event(1));
    await keepEvent('old', event(2));
    const asked: string[] = [];
    const post = async (session: string) => {
      asked.push(session);
      return { kind: 'stored' } as const;
    };
    await sendEvents(post, (session) => session === 'new');
    expect(asked).toEqual(['old']);
    await sendEvents(post);
    expect(asked).toEqual(['old', 'new']);
  });

  it('takes in what others noted, once', async () => {
    await keepEvent('s', event(1));
    expect(await takeEvents('s', { events: [event(1), event(2)], last: 9, more: false })).toBe(true);
    expect(await takeEvents('s', { events: [event(2)], last: 9, more: false })).toBe(false);
    expect(await eventsOf('s')).toHaveLength(2);
    // The server has it: its answer was lost, but it came back.
    expect(await waitingEvents()).toEqual([]);
    expect(await lastTaken('s')).toBe(9);
  });

  it('is not lost when the device is full: kept while the page is open, and sent', async () => {
    const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    await expect(keepEvent('s', event(1))).rejects.toThrow('no room');
    full.mockRestore();
    expect(await waitingEvents()).toHaveLength(1);
    const got: DeckEvent[] = [];
    await sendEvents(async (_s, events) => {
      got.push(...events);
      return { kind: 'stored' };
    });
    expect(got).toEqual([event(1)]);
    expect(await waitingEvents()).toEqual([]);
  });
});

describe('what was seen', () => {
  it('is kept by its address, changed by what waits, and forgotten at sign-out', async () => {
    await keepPage('/x', { a: 1, b: 2 });
    await patchPage<{ a: number }>('/x', (page) => ({ ...page, a: 5 }));
    await patchPage('/never seen', () => ({}));
    expect(await keptPage('/x')).toEqual({ a: 5, b: 2 });
    expect(await keptPage('/never seen')).toBeUndefined();
    await keepEvent('s', event(1));
    await takeEvents('s', { events: [event(2)], last: 9, more: false });
    await forgetSeen();
    expect(await keptPage('/x')).toBeUndefined();
    expect(await waitingEvents()).toHaveLength(1);
    // What others noted is asked for again: nothing of a run may be missing after the next sign-in.
    expect(await lastTaken('s')).toBe(0);
  });

  it('is forgotten by a newer version of the app where its shape has changed, and nothing else is', async () => {
    const old = await openDB('upwell-veteran', 1, {
      upgrade(created) {
        created.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }).createIndex('path', 'path');
        const events = created.createObjectStore('events', { keyPath: 'id' });
        events.createIndex('session', 'session');
        events.createIndex('waiting', 'waiting');
        created.createObjectStore('pages', { keyPath: 'path' });
        created.createObjectStore('facts');
      },
    });
    await old.put('pages', { path: '/sessions/proposal?on=2026-11-26', data: { people: { build: [] } }, at: 'then' });
    await old.put('pages', { path: '/my-week', data: { weeks: [{ words: [] }] }, at: 'then' });
    await old.put('pages', { path: '/sessions/1', data: 'a session for the deck', at: 'then' });
    await old.put('outbox', { ...change('/a'), at: 'then', state: 'waiting', problem: null, current: null });
    await old.put('events', { id: 'e', session: 's', event: event(1), waiting: 1 });
    old.close();
    openFor('veteran');
    expect(await keptPage('/sessions/proposal?on=2026-11-26')).toBeUndefined();
    expect(await keptPage('/my-week')).toBeUndefined();
    expect(await keptPage('/sessions/1')).toBe('a session for the deck');
    expect(await waitingChanges()).toHaveLength(1);
    expect(await waitingEvents()).toHaveLength(1);
    openFor('after the veteran');
    await deleteDB('upwell-veteran');
  });

  it('is not seen by another account on the same device', async () => {
    await keepPage('/x', 1);
    await setFact('y', 2);
    openFor('somebody else');
    expect(await keptPage('/x')).toBeUndefined();
    expect(await fact('y')).toBeUndefined();
  });

  it('has one address whatever the order of its parameters', () => {
    expect(addressOf({ url: '/a', params: { y: 1, x: undefined, b: 2 } })).toBe('/a?b=2&y=1');
    expect(addressOf('/a')).toBe('/a');
  });
});

describe('two versions', () => {
  it('are told apart by what they say, a plan by its metres', () => {
    const { id: _id, ...mine } = SESSION;
    const group = PLAN.groups[0]!;
    const shorter = { ...PLAN, groups: [{ ...group, blocks: group.blocks.slice(0, 2) }, ...PLAN.groups.slice(1)] };
    const rows = differences({ ...mine, title: 'Mine', writeId: 'x' }, { ...SESSION, title: 'Theirs', plan: shorter });
    expect(rows.map((r) => r.what)).toEqual(['title', group.name]);
    expect(rows[0]).toMatchObject({ mine: 'Mine', theirs: 'Theirs' });
    expect(rows[1]!.mine).toMatch(/^\d+ m$/);
    expect(rows[1]!.mine).not.toBe(rows[1]!.theirs);
    expect(differences(null, {})).toEqual([]);
  });
});

it.each([
  [{ reachable: true, trouble: false, waiting: 0, undecided: 0, full: false }, null],
  [{ reachable: false, trouble: false, waiting: 12, undecided: 0, full: false }, 'Offline · 12 wait'],
  [{ reachable: true, trouble: false, waiting: 1, undecided: 0, full: false }, 'Sending · 1 waits'],
  [{ reachable: true, trouble: true, waiting: 1, undecided: 0, full: false }, 'The server is having trouble · 1 waits'],
  [{ reachable: false, trouble: true, waiting: 0, undecided: 0, full: false }, 'Offline'],
  [{ reachable: false, trouble: false, waiting: 1, undecided: 2, full: false }, '2 changes need your decision'],
  [
    { reachable: true, trouble: false, waiting: 0, undecided: 0, full: true },
    'This device has no room left: save what waits to a file now',
  ],
])('says %j as %p', (state, words) => expect(offlineWords(state)).toBe(words));

describe('a session that waits to be sent', () => {
  it.each([
    ['its course’s clock', ['/courses/c'], 'Europe/Athens'],
    ['the club’s, where the course is not known', ['/courses/d'], 'Europe/Lisbon'],
    ['the club’s, in a pool', [], 'Europe/Lisbon'],
  ])('is told by %s', async (_whose, paths, zone) => {
    await keepPage('/courses/c', { timeZone: 'Europe/Athens' });
    await keepPage('/courses/d', { name: 'kept before it had a clock' });
    await keepPage('/account/me', { timeZone: 'Europe/Lisbon' });
    expect(await keptZone(...paths)).toBe(zone);
  });

  it('is told by the device’s where nothing is known', async () => {
    await keepPage('/account/me', null);
    expect(await keptZone('/courses/never')).toBe(deviceZone());
  });
});
