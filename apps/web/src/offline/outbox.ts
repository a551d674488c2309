import type { Problem } from '@upwell/contract/common';
import { db, type Waiting } from './db';

/** What came of sending one change. */
export type Sent =
  | { readonly kind: 'stored'; readonly data: unknown }
  | { readonly kind: 'no-network'; readonly signedOut?: boolean }
  | { readonly kind: 'conflict'; readonly status: number; readonly problem: Partial<Problem> }
  | { readonly kind: 'refused'; readonly status: number; readonly problem: Partial<Problem> };

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
  await (await db()).put('outbox', { ...entry, body, state: 'waiting', problem: null, current: null });
}

/** How a change reaches the server: kept apart so that tests can stand in for the network. */
export type Post = (entry: Pick<Waiting, 'method' | 'path' | 'body'>) => Promise<Sent>;

/**
 * Sends what waits, in its order, one after the other.
 *
 * A change behind a stuck one of the same thing waits; other things go on. Without a network everything
 * stays as it is. Whoever waits for an answer gets it from the returned map.
 *
 * @returns what came of each change that was tried, by its place; whether the server was reached
 */
export async function sendChanges(
  post: Post,
  awaited: ReadonlySet<number> = new Set(),
): Promise<{ readonly sent: ReadonlyMap<number, Sent>; readonly reached: boolean }> {
  const open = await db();
  const sent = new Map<number, Sent>();
  const stuck = new Set<string>();
  for (const entry of await open.getAll('outbox')) {
    const seq = entry.seq!;
    if (entry.state !== 'waiting' || stuck.has(entry.path)) {
      stuck.add(entry.path);
      continue;
    }
    const outcome = await post(entry);
    sent.set(seq, outcome);
    if (outcome.kind === 'no-network') return { sent, reached: false };
    if (outcome.kind === 'stored' || awaited.has(seq)) {
      // Refused while the coach looks on: the screen has the work and says why.
      await open.delete('outbox', seq);
      continue;
    }
    stuck.add(entry.path);
    await open.put('outbox', {
      ...entry,
      state: outcome.kind,
      problem: outcome.problem.detail ?? null,
      current: outcome.problem.current ?? null,
    });
  }
  return { sent, reached: true };
}
