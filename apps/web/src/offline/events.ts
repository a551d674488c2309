import type { EventsPage } from '@upwell/contract/deck';
import type { DeckEvent } from '@upwell/core/deck';
import { db, fact, setFact, type StoredEvent } from './db';
import { MOST_BREAKS } from './outbox';

/** Events in one request; the server takes up to 500. */
const BATCH = 200;

/** Events that the device had no room for: sent all the same, and saved to a file when the coach asks. */
const unstored = new Map<string, StoredEvent>();

/**
 * Keeps an event of a run; it is safe on this device once this resolves.
 *
 * @throws DOMException when the device has no room; the event is then kept while the page stays open
 */
export async function keepEvent(session: string, event: DeckEvent): Promise<void> {
  const stored: StoredEvent = { id: event.id, session, event, waiting: 1 };
  try {
    await (await db()).put('events', stored);
  } catch (error) {
    unstored.set(event.id, stored);
    throw error;
  }
}

/** All events of a run that this device knows of. */
export async function eventsOf(session: string): Promise<DeckEvent[]> {
  const stored = await (await db()).getAllFromIndex('events', 'session', session);
  return stored.map((s) => s.event);
}

export async function waitingEvents(): Promise<StoredEvent[]> {
  const stored = await (await db()).getAllFromIndex('events', 'waiting', 1);
  return [...stored.filter((s) => s.refused === undefined), ...unstored.values()];
}

export async function refusedEvents(): Promise<StoredEvent[]> {
  return (await (await db()).getAllFromIndex('events', 'waiting', 1)).filter((s) => s.refused !== undefined);
}

/** What came of sending some events. */
export type EventsSent =
  | { readonly kind: 'stored' }
  | { readonly kind: 'no-network' }
  | { readonly kind: 'busy' }
  /** The server lives, and failed on these or on one of them, or found one of them wrong. */
  | { readonly kind: 'failed'; readonly reason: string }
  /** The connection broke on these, although the server lives. */
  | { readonly kind: 'broken'; readonly reason: string }
  /** The run is not one's own, or not there. */
  | { readonly kind: 'refused'; readonly reason: string };

export type PostEvents = (session: string, events: readonly DeckEvent[]) => Promise<EventsSent>;

/** After a failure the next batches are smaller, so that the one bad note is found and the others go. */
const SMALLER = [BATCH, 25, 5, 1];

/**
 * Sends what was noted on deck, run by run, in the order in which it was noted. What the server may have
 * already is sent again without harm. What is refused, or what the server failed on alone, stays on the device
 * with the reason; the other runs go on.
 *
 * @param notYet runs whose session is not on the server yet
 * @returns what was heard of the server
 */
export async function sendEvents(
  post: PostEvents,
  notYet: (session: string) => boolean = () => false,
): Promise<{ readonly server: 'reached' | 'busy' | 'lost'; readonly failed: boolean }> {
  const bySession = new Map<string, StoredEvent[]>();
  for (const stored of await waitingEvents())
    bySession.set(stored.session, [...(bySession.get(stored.session) ?? []), stored]);
  let [failed, busy] = [false, false];
  for (const [session, waiting] of bySession) {
    if (notYet(session)) continue;
    const inOrder = waiting.sort((a, b) => a.event.atMs - b.event.atMs || (a.id < b.id ? -1 : 1));
    for (let i = 0; i < inOrder.length;) {
      const failures = inOrder[i]!.failures ?? 0;
      const size = SMALLER[Math.min(failures, SMALLER.length - 1)]!;
      const batch = inOrder.slice(i, i + size).filter((s) => (s.failures ?? 0) === failures);
      i += batch.length;
      const outcome = await post(
        session,
        batch.map((s) => s.event),
      );
      if (outcome.kind === 'no-network') return { server: 'lost', failed };
      if (outcome.kind === 'busy') {
        busy = true;
        break;
      }
      batch.forEach((s) => unstored.delete(s.id));
      if (outcome.kind === 'failed' || outcome.kind === 'broken') {
        failed = true;
        const alone = failures >= (outcome.kind === 'broken' ? MOST_BREAKS : SMALLER.length) - 1;
        await putAll(
          batch.map((s) => ({ ...s, failures: failures + 1, ...(alone ? { refused: outcome.reason } : {}) })),
        );
        continue;
      }
      await putAll(
        batch.map((s) => (outcome.kind === 'stored' ? { ...s, waiting: 0 } : { ...s, refused: outcome.reason })),
      );
      if (outcome.kind === 'refused') break;
    }
  }
  return { server: busy ? 'busy' : 'reached', failed };
}

/** Lets events that were set aside be sent again. */
export async function retryEvents(events: readonly StoredEvent[]): Promise<void> {
  await putAll(events.map(({ id, session, event, waiting }) => ({ id, session, event, waiting })));
}

/** Takes events out of the device for good. */
export async function dropEvents(events: readonly StoredEvent[]): Promise<void> {
  const open = await db();
  await Promise.all(events.map(({ id }) => open.delete('events', id)));
  events.forEach(({ id }) => unstored.delete(id));
}

/** Stores many at once, in one transaction. */
async function putAll(list: readonly StoredEvent[]): Promise<void> {
  const tx = (await db()).transaction('events', 'readwrite');
  await Promise.all([...list.map((stored) => tx.store.put(stored)), tx.done]);
}

/** Takes in what other devices noted for a run; answers whether anything was new. */
export async function takeEvents(session: string, page: EventsPage): Promise<boolean> {
  const known = new Map(
    (await (await db()).getAllFromIndex('events', 'session', session)).map((s) => [s.id, s] as const),
  );
  const fresh = page.events.filter((event) => !known.has(event.id)).length;
  await putAll(
    page.events
      .filter((event) => known.get(event.id)?.waiting !== 0)
      .map((event) => ({ id: event.id, session, event, waiting: 0 as const })),
  );
  await setFact(`last:${session}`, page.last);
  return fresh > 0;
}

/** Up to which place of the server's list this device has the events of a run. */
export async function lastTaken(session: string): Promise<number> {
  return (await fact<number>(`last:${session}`)) ?? 0;
}
