import type { Problem } from '@upwell/contract/common';
import { db, type Waiting } from './db';
import { onTopOf } from './merge';

/** What came of sending one change. */
export type Sent =
  | { readonly kind: 'stored'; readonly data: unknown }
  /** Nothing was heard of the server. */
  | { readonly kind: 'no-network'; readonly signedOut?: boolean }
  /** The server asks to come back later; nothing of this is the change's fault. */
  | { readonly kind: 'busy' }
  /** The connection broke on this one, although the server lives: chance, or something between here and there. */
  | { readonly kind: 'broken'; readonly problem: Partial<Problem> }
  /** The server lives and failed on this one. */
  | { readonly kind: 'server-error'; readonly problem: Partial<Problem> }
  | { readonly kind: 'conflict'; readonly status: number; readonly problem: Partial<Problem> }
  | { readonly kind: 'refused'; readonly status: number; readonly problem: Partial<Problem> };

/** Failures of the server after which a change is set aside. */
export const MOST_FAILURES = 3;
/** The same for broken connections, which a poor network has now and then. */
export const MOST_BREAKS = 10;
/** Answers in a row asking to come back later after which the others are not sent either. */
const MOST_BUSY = 3;

/** Puts a change in the queue; it is safe on this device once this resolves. */
export async function enqueue(change: Omit<Waiting, 'seq' | 'state' | 'problem' | 'current' | 'at'>): Promise<number> {
  const open = await db();
  // A change that was stuck is replaced by the coach's newer word on the same thing.
  const before = await open.getAllFromIndex('outbox', 'path', change.path);
  const seq = await open.add('outbox', {
    ...change,
    at: new Date().toISOString(),
    state: 'waiting',
    problem: null,
    current: null,
  });
  for (const entry of before) if (entry.state !== 'waiting') await open.delete('outbox', entry.seq!);
  return seq;
}

export async function waitingChanges(): Promise<Waiting[]> {
  return (await db()).getAll('outbox');
}

export async function dropChange(seq: number): Promise<void> {
  await (await db()).delete('outbox', seq);
}

/** Sends a stuck change again as the newest word: on top of the version that the server holds. */
export async function keepMine(entry: Waiting): Promise<void> {
  const version = (entry.current as { version?: number } | null)?.version;
  const body = typeof version === 'number' && typeof entry.body === 'object' ? { ...entry.body, version } : entry.body;
  await (await db()).put('outbox', { ...entry, body, state: 'waiting', problem: null, current: null, failures: 0 });
}

/** How a change reaches the server: kept apart so that tests can stand in for the network. */
export type Post = (entry: Pick<Waiting, 'method' | 'path' | 'body'>) => Promise<Sent>;

/** An address that ends with an id makes what has it. */
const MADE = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** The id of what a change makes new; null when it changes what is there, or something inside of it. */
function makes({ path, method, body }: Waiting): string | null {
  const version = (body as { version?: number } | null)?.version ?? 0;
  return method === 'PUT' && version === 0 ? (path.match(MADE)?.[0] ?? null) : null;
}

/** Whether a change cannot be sent before another one: it is of the same thing, or names what the other makes. */
export function dependsOn(change: Waiting, before: Waiting): boolean {
  if (change.path === before.path) return true;
  const id = makes(before);
  return id !== null && (change.path.includes(id) || JSON.stringify(change.body).includes(id));
}

/** What came of a pass over the queue. */
export interface Pass {
  /** What came of each change that was tried, by its place. */
  readonly sent: ReadonlyMap<number, Sent>;
  /** `lost`: nothing was heard of the server. `busy`: it asks to come back later. */
  readonly server: 'reached' | 'busy' | 'lost';
  /** Changes that stay: what is made by one of them is not on the server yet. */
  readonly left: readonly Waiting[];
}

/** How often a change is put on top of a newer version before a coach is asked. */
const MOST_MERGES = 3;

/**
 * Sends one change. Where it meets a newer version and nobody looks on, the two are put together if they can be; what was
 * put together is kept before it is sent, so that a lost answer doubles nothing.
 */
async function postOnTop(post: Post, entry: Waiting, watched: boolean): Promise<Sent> {
  let outcome = await post(entry);
  let now: Waiting | null = entry;
  for (let tries = 0; tries < MOST_MERGES && !watched && outcome.kind === 'conflict'; tries++) {
    now = await onTopOf(now, outcome.problem.current);
    if (!now) break;
    await (await db()).put('outbox', now);
    outcome = await post(now);
  }
  return outcome;
}

/**
 * Sends what waits, in its order, one after the other.
 *
 * A change that is stuck holds up what depends on it and nothing else. One on which the server failed
 * {@link MOST_FAILURES} times, or the connection {@link MOST_BREAKS} times, is set aside. Without a network everything stays as it is. A caller who waits for an
 * answer gets it from the returned map.
 */
export async function sendChanges(post: Post, awaited: ReadonlySet<number> = new Set()): Promise<Pass> {
  const open = await db();
  const sent = new Map<number, Sent>();
  const left: Waiting[] = [];
  let [busy, busyInARow] = [false, 0];
  const all = await open.getAll('outbox');
  for (const [i, entry] of all.entries()) {
    const seq = entry.seq!;
    if (entry.state !== 'waiting' || left.some((before) => dependsOn(entry, before))) {
      left.push(entry);
      continue;
    }
    const outcome = await postOnTop(post, entry, awaited.has(seq));
    sent.set(seq, outcome);
    if (outcome.kind === 'no-network') return { sent, server: 'lost', left: [...left, ...all.slice(i)] };
    if (outcome.kind === 'busy') {
      busy = true;
      if (++busyInARow >= MOST_BUSY) return { sent, server: 'busy', left: [...left, ...all.slice(i)] };
      left.push(entry);
      continue;
    }
    busyInARow = 0;
    if (outcome.kind === 'server-error' || outcome.kind === 'broken') {
      const failures = (entry.failures ?? 0) + 1;
      const state = failures >= (outcome.kind === 'broken' ? MOST_BREAKS : MOST_FAILURES) ? 'failed' : 'waiting';
      const problem = outcome.problem.detail ?? 'The server answered with an error.';
      const noted: Waiting = { ...entry, failures, state, problem };
      left.push(noted);
      await open.put('outbox', noted);
      continue;
    }
    if (outcome.kind === 'stored' || awaited.has(seq)) {
      // Refused while the coach looks on: the screen has the work and says why.
      await open.delete('outbox', seq);
      continue;
    }
    left.push(entry);
    await open.put('outbox', {
      ...entry,
      state: outcome.kind,
      problem: outcome.problem.detail ?? null,
      current: outcome.problem.current ?? null,
    });
  }
  return { sent, server: busy ? 'busy' : 'reached', left };
}
