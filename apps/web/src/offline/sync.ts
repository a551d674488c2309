// Sends what waits on this device, and gets what other devices noted.
import type { Problem } from '@upwell/contract/common';
import type { EventsPage } from '@upwell/contract/deck';
import { api } from '@/api/api';
import { isLeaving, tellServer } from '@/api/leaving';
import type { AppStore } from '@/state/reducers';
import { lastTaken, refusedEvents, sendEvents, takeEvents, waitingEvents, type PostEvents } from './events';
import { sendChanges, waitingChanges, type Post, type Sent } from './outbox';
import { counted, reached, troubled } from '@/state/offline';

const BASE = '/api/v1';
/** What is asked for again when changes of this device have arrived in the background. */
export const SENT = ['Session', 'Swimmer', 'Deck', 'Records', 'Course', 'Reading', 'Race'] as const;
const TIMEOUT_MS = 20_000;
/** How often what waits is tried again. */
const AGAIN_MS = 10_000;

/** Answers that ask to come back later: nothing was decided. */
const LATER = new Set([408, 425, 429]);
/** Answers of a proxy, or of a server that is just starting. */
const AWAY = new Set([502, 503, 504]);

/** What was heard: an answer, nothing at all, or, although the server lives, nothing in time or a broken connection. */
type Heard = Response | 'nothing' | 'later' | 'too-late' | 'broken';

async function request(method: string, path: string, body?: unknown): Promise<Heard> {
  try {
    const response = await fetch(
      new Request(BASE + path, {
        method,
        credentials: 'same-origin',
        ...(body === undefined || body === null
          ? {}
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
        signal: AbortSignal.timeout(TIMEOUT_MS),
      }),
    );
    const { status } = response;
    return LATER.has(status) || (AWAY.has(status) && !(await ready())) ? 'later' : response;
  } catch (error) {
    // Whatever it was, the change stays in the queue.
    if (!(await ready())) return 'nothing';
    return (error as Error).name === 'TimeoutError' ? 'too-late' : 'broken';
  }
}

/** Whether the server answers others: it tells one request that cannot be answered from a network that is gone. */
async function ready(): Promise<boolean> {
  try {
    return (await fetch(new Request('/readyz', { signal: AbortSignal.timeout(5000) }))).ok;
  } catch {
    return false;
  }
}

const TOO_LATE = 'The server did not answer this in time, although it answers others.';
const BROKEN = 'The connection broke while this was sent, although the server answers others.';

const post: Post = async ({ method, path, body }): Promise<Sent> => {
  const response = await request(method, path, method === 'DELETE' ? null : body);
  if (response === 'nothing') return { kind: 'no-network' };
  if (response === 'later') return { kind: 'busy' };
  if (response === 'too-late') return { kind: 'server-error', problem: { detail: TOO_LATE } };
  if (response === 'broken') return { kind: 'broken', problem: { detail: BROKEN } };
  const data = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return { kind: 'stored', data };
  // Taken out already, perhaps by this very request whose answer was lost.
  if (method === 'DELETE' && response.status === 404) return { kind: 'stored', data: null };
  // Signed out: nothing of this is the change's fault.
  if (response.status === 401) return { kind: 'no-network', signedOut: true };
  const { status } = response;
  const problem = (data ?? {}) as Partial<Problem>;
  if (status >= 500) return { kind: 'server-error', problem };
  return { kind: status === 409 ? 'conflict' : 'refused', status, problem };
};

const postEvents: PostEvents = async (session, events) => {
  const response = await request('POST', `/deck/runs/${session}/events`, { events });
  if (response === 'nothing') return { kind: 'no-network' };
  if (response === 'later') return { kind: 'busy' };
  if (response === 'too-late') return { kind: 'failed', reason: TOO_LATE };
  if (response === 'broken') return { kind: 'broken', reason: BROKEN };
  if (response.status === 401) return { kind: 'no-network' };
  if (response.ok) return { kind: 'stored' };
  const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
  const reason = problem.detail ?? 'The server did not take this.';
  const wholeRun = response.status === 403 || response.status === 404;
  return { kind: wholeRun ? 'refused' : 'failed', reason };
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
export async function count(store: Pick<AppStore, 'dispatch'>): Promise<void> {
  const changes = await waitingChanges();
  const waiting = changes.filter((c) => c.state === 'waiting').length + (await waitingEvents()).length;
  const undecided = changes.length - changes.filter((c) => c.state === 'waiting').length;
  store.dispatch(counted({ waiting, undecided: undecided + (await refusedEvents()).length }));
}

const FAILED: ReadonlySet<Sent['kind']> = new Set(['server-error', 'broken']);
const isNew = ({ body }: { readonly body: unknown }) => ((body as { version?: number } | null)?.version ?? 0) === 0;

/** Sends all that waits; a caller who waits for one change gets its outcome. */
export async function send(store: Pick<AppStore, 'dispatch'>, awaited?: number): Promise<Sent | null> {
  // Nobody is signed in here: what waits stays with its account.
  if (isLeaving()) return null;
  const result = await alone(async () => {
    const before = (await waitingChanges()).length;
    const changes = await sendChanges(post, new Set(awaited === undefined ? [] : [awaited]));
    // Notes from the deck wait for nothing but the save of their own session.
    const notYet = (session: string) => changes.left.some((c) => c.path === `/sessions/${session}` && isNew(c));
    const events = changes.server === 'lost' ? { server: 'lost', failed: false } : await sendEvents(postEvents, notYet);
    const lost = changes.server === 'lost' || events.server === 'lost';
    const failed = events.failed || [...changes.sent.values()].some(({ kind }) => FAILED.has(kind));
    if (changes.sent.size > 0 || before > 0) store.dispatch(reached(!lost));
    store.dispatch(troubled(!lost && (failed || changes.server === 'busy' || events.server === 'busy')));
    return changes;
  });
  await count(store);
  if ([...result.sent.values()].some((s) => s.kind === 'no-network' && s.signedOut))
    store.dispatch(api.util.invalidateTags(['Me']));
  const background = [...result.sent].some(([seq, s]) => seq !== awaited && s.kind === 'stored');
  if (background) store.dispatch(api.util.invalidateTags([...SENT]));
  return awaited === undefined ? null : (result.sent.get(awaited) ?? { kind: 'no-network' });
}

/** Gets what other devices noted for a run; answers whether anything was new. Without a network nothing is. */
export async function fetchEvents(store: Pick<AppStore, 'dispatch'>, session: string): Promise<boolean> {
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
export function sendSoon(store: Pick<AppStore, 'dispatch'>): void {
  clearTimeout(soon);
  soon = setTimeout(() => void send(store), 400);
}

/** Tries again whenever there is reason to hope: the network is back, the page is seen, some time has passed. */
export function startSync(store: AppStore): () => void {
  const sendWaiting = () => {
    if (store.getState().offline.waiting > 0) void send(store);
  };
  const again = () => {
    void tellServer();
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
