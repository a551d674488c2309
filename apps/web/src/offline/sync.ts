import type { Problem } from '@upwell/contract/common';
import type { EventsPage } from '@upwell/contract/deck';
import { api } from '@/api/api';
import type { Store } from '@/state/store';
import { lastTaken, refusedEvents, sendEvents, takeEvents, waitingEvents, type PostEvents } from './events';
import { sendChanges, waitingChanges, type Post, type Sent } from './outbox';
import { counted, reached, troubled } from './slice';

const BASE = '/api/v1';
const TIMEOUT_MS = 20_000;
/** How often what waits is tried again. */
const AGAIN_MS = 10_000;

/** Answers of a proxy, of a server that is just starting, or of one that has too much to do: nothing was decided. */
const NOT_NOW = new Set([408, 425, 429, 502, 503, 504]);

/** What was heard: an answer, nothing at all, or nothing in time although the server lives. */
type Heard = Response | 'nothing' | 'too-late';

async function request(method: string, path: string, body?: unknown): Promise<Heard> {
  try {
    return await fetch(
      new Request(BASE + path, {
        method,
        credentials: 'same-origin',
        ...(body === undefined || body === null
          ? {}
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
        signal: AbortSignal.timeout(TIMEOUT_MS),
      }),
    );
  } catch (error) {
    // No network, no server, or no answer in time: it stays in the queue.
    return (error as Error).name === 'TimeoutError' && (await lives()) ? 'too-late' : 'nothing';
  }
}

/** Whether the server answers at all: it tells one request that never ends from a network that is gone. */
async function lives(): Promise<boolean> {
  try {
    return (await fetch('/healthz', { signal: AbortSignal.timeout(5000) })).ok;
  } catch {
    return false;
  }
}

const TOO_LATE = 'The server did not answer this in time, although it answers others.';

const post: Post = async ({ method, path, body }): Promise<Sent> => {
  const response = await request(method, path, method === 'DELETE' ? null : body);
  if (response === 'nothing') return { kind: 'no-network' };
  if (response === 'too-late') return { kind: 'server-error', status: 0, problem: { detail: TOO_LATE } };
  if (NOT_NOW.has(response.status)) return { kind: 'busy' };
  const data = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return { kind: 'stored', data };
  // Taken out already, perhaps by this very request whose answer was lost.
  if (method === 'DELETE' && response.status === 404) return { kind: 'stored', data: null };
  // Signed out: nothing of this is the change's fault.
  if (response.status === 401) return { kind: 'no-network', signedOut: true };
  const { status } = response;
  const problem = (data ?? {}) as Partial<Problem>;
  if (status >= 500) return { kind: 'server-error', status, problem };
  return { kind: status === 409 ? 'conflict' : 'refused', status, problem };
};

const postEvents: PostEvents = async (session, events) => {
  const response = await request('POST', `/deck/runs/${session}/events`, { events });
  if (response === 'nothing') return { kind: 'no-network' };
  if (response === 'too-late') return { kind: 'server-error', reason: TOO_LATE };
  if (NOT_NOW.has(response.status)) return { kind: 'busy' };
  if (response.status === 401) return { kind: 'no-network' };
  if (response.ok) return { kind: 'stored' };
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  const reason = problem.detail ?? 'The server did not take this.';
  return response.status >= 500 ? { kind: 'server-error', reason } : { kind: 'refused', reason };
};

let running: Promise<unknown> = Promise.resolve();

/** One sender at a time, also over several tabs of this device. */
function alone<T>(work: () => Promise<T>): Promise<T> {
  if (typeof navigator !== 'undefined' && 'locks' in navigator)
    return navigator.locks.request('upwell-send', work) as Promise<T>;
  const next = running.then(work, work);
  running = next.catch(() => undefined);
  return next;
}

/** Counts what waits, for the line at the top. */
export async function count(store: Pick<Store, 'dispatch'>): Promise<void> {
  const changes = await waitingChanges();
  const waiting = changes.filter((c) => c.state === 'waiting').length + (await waitingEvents()).length;
  const undecided = changes.length - changes.filter((c) => c.state === 'waiting').length;
  store.dispatch(counted({ waiting, undecided: undecided + (await refusedEvents()).length }));
}

const isNew = ({ body }: { readonly body: unknown }) => ((body as { version?: number } | null)?.version ?? 0) === 0;

/** Sends all that waits; whoever waits for one change gets what came of it. */
export async function send(store: Pick<Store, 'dispatch'>, awaited?: number): Promise<Sent | null> {
  const result = await alone(async () => {
    const before = (await waitingChanges()).length;
    const changes = await sendChanges(post, new Set(awaited === undefined ? [] : [awaited]));
    // Notes from the deck wait for nothing but the save of their own session.
    const notYet = (session: string) => changes.left.some((c) => c.path === `/sessions/${session}` && isNew(c));
    const events = changes.server === 'lost' ? { server: 'lost', failed: false } : await sendEvents(postEvents, notYet);
    const lost = changes.server === 'lost' || events.server === 'lost';
    const failed = [...changes.sent.values()].some((s) => s.kind === 'server-error') || events.failed;
    if (changes.sent.size > 0 || before > 0) store.dispatch(reached(!lost));
    store.dispatch(troubled(!lost && (failed || changes.server === 'busy' || events.server === 'busy')));
    return changes;
  });
  await count(store);
  if ([...result.sent.values()].some((s) => s.kind === 'no-network' && s.signedOut))
    store.dispatch(api.util.invalidateTags(['Me']));
  const background = [...result.sent].some(([seq, s]) => seq !== awaited && s.kind === 'stored');
  if (background) store.dispatch(api.util.invalidateTags(['Session', 'Swimmer', 'Deck', 'Records', 'Race']));
  return awaited === undefined ? null : (result.sent.get(awaited) ?? { kind: 'no-network' });
}

/** Gets what other devices noted for a run; answers whether anything was new. Without a network nothing is. */
export async function fetchEvents(store: Pick<Store, 'dispatch'>, session: string): Promise<boolean> {
  let fresh = false;
  for (;;) {
    const response = await request('GET', `/deck/runs/${session}/events?after=${await lastTaken(session)}`);
    if (typeof response === 'string' || !response.ok) {
      if (response === 'nothing') store.dispatch(reached(false));
      return fresh;
    }
    store.dispatch(reached(true));
    // The way is open again: what waits goes now.
    if ((await waitingEvents()).length > 0) sendSoon(store);
    const page = (await response.json()) as EventsPage;
    if (await takeEvents(session, page)) fresh = true;
    if (!page.more) return fresh;
  }
}

let soon: ReturnType<typeof setTimeout> | undefined;

/** Sends in a moment: taps come in bursts. */
export function sendSoon(store: Pick<Store, 'dispatch'>): void {
  clearTimeout(soon);
  soon = setTimeout(() => void send(store), 400);
}

/** Tries again whenever there is reason to hope: the network is back, the page is seen, some time has passed. */
export function startSync(store: Store): () => void {
  const sendWaiting = () => {
    if (store.getState().offline.waiting > 0) void send(store);
  };
  const again = () => {
    sendWaiting();
    const { waiting, reachable, trouble } = store.getState().offline;
    // Nothing waits, but the line says offline or trouble: ask whether that still holds.
    if (waiting === 0 && (!reachable || trouble)) store.dispatch(api.util.invalidateTags(['Me']));
  };
  const seen = () => {
    if (document.visibilityState === 'visible') again();
  };
  window.addEventListener('online', again);
  document.addEventListener('visibilitychange', seen);
  const timer = setInterval(again, AGAIN_MS);
  void count(store).then(sendWaiting);
  return () => {
    window.removeEventListener('online', again);
    document.removeEventListener('visibilitychange', seen);
    clearInterval(timer);
  };
}
