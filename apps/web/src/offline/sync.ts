import type { Problem } from '@upwell/contract/common';
import type { EventsPage } from '@upwell/contract/deck';
import { api } from '@/api/api';
import type { Store } from '@/state/store';
import { lastTaken, refusedEvents, sendEvents, takeEvents, waitingEvents, type EventsSent } from './events';
import { sendChanges, waitingChanges, type Post, type Sent } from './outbox';
import { counted, reached } from './slice';

const BASE = '/api/v1';
const TIMEOUT_MS = 20_000;
/** How often what waits is tried again. */
const AGAIN_MS = 10_000;

/** Answers of a proxy or a server that is just starting: nothing was decided, try later. */
const NOT_NOW = new Set([408, 425, 429, 502, 503, 504]);

async function request(method: string, path: string, body?: unknown): Promise<Response | null> {
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
  } catch {
    // No network, no server, or no answer in time: it stays in the queue.
    return null;
  }
}

const post: Post = async ({ method, path, body }): Promise<Sent> => {
  const response = await request(method, path, method === 'DELETE' ? null : body);
  if (!response || NOT_NOW.has(response.status)) return { kind: 'no-network' };
  const data = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return { kind: 'stored', data };
  // Taken out already, perhaps by this very request whose answer was lost.
  if (method === 'DELETE' && response.status === 404) return { kind: 'stored', data: null };
  // Signed out, or the server is in trouble: nothing of this is the change's fault.
  if (response.status === 401) return { kind: 'no-network', signedOut: true };
  if (response.status >= 500) return { kind: 'no-network' };
  const problem = (data ?? {}) as Partial<Problem>;
  return { kind: response.status === 409 ? 'conflict' : 'refused', status: response.status, problem };
};

const postEvents = async (session: string, events: readonly unknown[]): Promise<EventsSent> => {
  const response = await request('POST', `/deck/runs/${session}/events`, { events });
  if (!response || NOT_NOW.has(response.status) || response.status === 401 || response.status >= 500)
    return { kind: 'no-network' };
  if (response.ok) return { kind: 'stored' };
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  return { kind: 'refused', reason: problem.detail ?? 'The server did not take this.' };
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

/** Sends all that waits; whoever waits for one change gets what came of it. */
export async function send(store: Pick<Store, 'dispatch'>, awaited?: number): Promise<Sent | null> {
  const result = await alone(async () => {
    const before = (await waitingChanges()).length;
    const changes = await sendChanges(post, new Set(awaited === undefined ? [] : [awaited]));
    const eventsReached = changes.reached ? await sendEvents(postEvents) : false;
    if (changes.sent.size > 0 || before > 0) store.dispatch(reached(changes.reached && eventsReached));
    return changes;
  });
  await count(store);
  if ([...result.sent.values()].some((s) => s.kind === 'no-network' && s.signedOut))
    store.dispatch(api.util.invalidateTags(['Me']));
  const background = [...result.sent].some(([seq, s]) => seq !== awaited && s.kind === 'stored');
  if (background) store.dispatch(api.util.invalidateTags(['Session', 'Swimmer', 'Deck', 'Records']));
  return awaited === undefined ? null : (result.sent.get(awaited) ?? { kind: 'no-network' });
}

/** Gets what other devices noted for a run; answers whether anything was new. Without a network nothing is. */
export async function fetchEvents(store: Pick<Store, 'dispatch'>, session: string): Promise<boolean> {
  let fresh = false;
  for (;;) {
    const response = await request('GET', `/deck/runs/${session}/events?after=${await lastTaken(session)}`);
    if (!response?.ok) {
      if (!response) store.dispatch(reached(false));
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
    const { waiting, reachable } = store.getState().offline;
    // Nothing waits, but the line says offline: ask whether that still holds.
    if (waiting === 0 && !reachable) store.dispatch(api.util.invalidateTags(['Me']));
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
