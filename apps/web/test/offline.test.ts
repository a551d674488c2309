import type { DeckEvent } from '@upwell/core/deck';
import { fact, forgetSeen, openFor, setFact } from '@/offline/db';
import { differences } from '@/offline/differences';
import { eventsOf, keepEvent, lastTaken, refusedEvents, sendEvents, takeEvents, waitingEvents } from '@/offline/events';
import { addressOf } from '@/offline/keeper';
import { offlineWords } from '@/offline/OfflineBar';
import { dropChange, enqueue, keepMine, sendChanges, waitingChanges, type Post, type Sent } from '@/offline/outbox';
import { keepPage, keptPage, patchPage } from '@/offline/pages';
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
    expect((await sendChanges(post)).reached).toBe(true);
    expect(asked).toEqual(['/a {"n":1}', '/b {"n":2}', '/a {"n":3}']);
    expect(await waitingChanges()).toEqual([]);
    await sendChanges(post);
    expect(asked).toHaveLength(3);
  });

  it('stay as they are without a network, and nothing behind them is tried', async () => {
    await enqueue(change('/a'));
    await enqueue(change('/b'));
    const { post, asked } = network({ kind: 'no-network' });
    expect((await sendChanges(post)).reached).toBe(false);
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
    expect(await sendEvents(post)).toBe(true);
    expect(batches.map((b) => b.length)).toEqual([200, 200, 50, 1]);
    expect(batches.slice(0, 3).flat()).toEqual(Array.from({ length: 450 }, (_, n) => event(n).id));
    await sendEvents(post);
    expect(batches).toHaveLength(4);
    expect(await eventsOf('s')).toHaveLength(450);
  });

  it('is sent again when the answer was lost', async () => {
    await keepEvent('s', event(1));
    expect(await sendEvents(async () => ({ kind: 'no-network' }))).toBe(false);
    expect(await waitingEvents()).toHaveLength(1);
  });

  it('stays with the reason when it is refused', async () => {
    await keepEvent('s', event(1));
    await sendEvents(async () => ({ kind: 'refused', reason: 'Not yours.' }));
    expect(await waitingEvents()).toEqual([]);
    expect(await refusedEvents()).toMatchObject([{ refused: 'Not yours.' }]);
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
    // What others noted is asked for anew: nothing of a run may be missing after the next sign-in.
    expect(await lastTaken('s')).toBe(0);
  });

  it('is not seen by another account on the same device', async () => {
    await keepPage('/x', 1);
    await setFact('y', 2);
    await openFor('somebody else');
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
  [{ reachable: true, waiting: 0, undecided: 0, full: false }, null],
  [{ reachable: false, waiting: 12, undecided: 0, full: false }, 'Offline · 12 wait'],
  [{ reachable: true, waiting: 1, undecided: 0, full: false }, 'Sending · 1 waits'],
  [{ reachable: false, waiting: 1, undecided: 2, full: false }, '2 changes need your decision'],
  [
    { reachable: true, waiting: 0, undecided: 0, full: true },
    'This device has no room left: save what waits to a file now',
  ],
])('says %j as %p', (state, words) => expect(offlineWords(state)).toBe(words));
