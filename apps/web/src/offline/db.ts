import { DAY_MS } from '@upwell/core/days';
import type { DeckEvent } from '@upwell/core/deck';
import { keep, kept } from '@/state/persist';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A change on its way to the server. */
export interface Waiting {
  /** Place in the order of sending. */
  readonly seq?: number;
  /** The one save it is: sent twice it is applied once. */
  readonly id: string;
  /** What it changes: later changes of the same wait behind it. */
  readonly path: string;
  readonly method: 'PUT' | 'DELETE';
  readonly body: unknown;
  /** What was stored when the change was made, where changes of both sides can be put together. */
  readonly base?: unknown;
  /** For the list of what waits. */
  readonly label: string;
  readonly at: string;
  /** `failed`: the server could not store it, several times; it is set aside and the others go on. */
  readonly state: 'waiting' | 'conflict' | 'refused' | 'failed';
  /** Why it was refused, or what the server answered. */
  readonly problem: string | null;
  /** How often the server failed on it so far. */
  readonly failures?: number;
  /** With a conflict: what the server holds. */
  readonly current: unknown;
}

export interface StoredEvent {
  readonly id: string;
  readonly session: string;
  readonly event: DeckEvent;
  /** 1 until the server has it. */
  readonly waiting: 0 | 1;
  /** Set when the server refused it, or failed on it several times, with the reason. */
  readonly refused?: string;
  /** How often the server failed on it so far. */
  readonly failures?: number;
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Waiting; indexes: { path: string } };
  events: { key: string; value: StoredEvent; indexes: { session: string; waiting: number } };
  pages: { key: string; value: { readonly path: string; readonly data: unknown; readonly at: string } };
  facts: { key: string; value: unknown };
}

/** Rises when an answer of the server that is kept here changes its shape. */
const VERSION = 4;
/** The answers whose shape a version changed, which it could not show: forgotten, and asked for again. All else stays. */
const CHANGED_SHAPE: readonly (readonly [version: number, address: string])[] = [
  [2, '/sessions/proposal'],
  [3, '/my-week'],
  [4, '/focuses/'],
];

/** Whose database is open: every account has its own, so that nobody sees or sends what another coach entered. */
let account = kept('account', 'nobody');
let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The database of this device for the account that is signed in. */
export function db(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(`upwell-${account}`, VERSION, {
    upgrade(created, from, _to, change) {
      if (from > 0) {
        for (const [version, address] of CHANGED_SHAPE)
          if (version > from) void change.objectStore('pages').delete(IDBKeyRange.bound(address, `${address}\uffff`));
        return;
      }
      created.createObjectStore('outbox', { keyPath: 'seq', autoIncrement: true }).createIndex('path', 'path');
      const events = created.createObjectStore('events', { keyPath: 'id' });
      events.createIndex('session', 'session');
      events.createIndex('waiting', 'waiting');
      created.createObjectStore('pages', { keyPath: 'path' });
      created.createObjectStore('facts');
    },
    blocking: (_current, _blocked, event) => {
      // A newer version of the app wants to change the tables: let it.
      (event.target as unknown as IDBDatabase).close();
      opened = undefined;
    },
  });
  return opened;
}

/** Whose database is open. */
export const openAccount = (): string => account;

/** Switches to the database of the account that has signed in. The one before stays open, so that work begun in it ends there. */
export function openFor(accountId: string): void {
  if (accountId === account) return;
  account = accountId;
  keep('account', accountId);
  opened = undefined;
}

/** One remembered fact, like the deck clock of a session. */
export async function fact<T>(key: string): Promise<T | undefined> {
  return (await (await db()).get('facts', key)) as T | undefined;
}

export async function setFact(key: string, value: unknown): Promise<void> {
  await (await db()).put('facts', value, key);
}

/**
 * Forgets pages, and what was noted on deck before today: the sign-in is over. A run under way goes on after the next
 * sign-in.
 */
export async function forgetPages(): Promise<void> {
  const open = await db();
  await open.clear('pages');
  const old = (await open.getAll('events')).filter((e) => e.waiting === 0 && e.event.atMs < Date.now() - DAY_MS);
  await Promise.all(old.map(({ id }) => open.delete('events', id)));
  // With the note of how far they were taken in, so that they are needed again.
  await Promise.all(old.map(({ session }) => open.delete('facts', `last:${session}`)));
}

/** Forgets what was seen: somebody else may use this device next. What waits to be sent stays with its account. */
export async function forgetSeen(): Promise<void> {
  const open = await db();
  // With what was taken in goes the note of how far it was taken in, so that the next sign-in asks for all of it.
  await Promise.all([open.clear('pages'), open.clear('facts')]);
  for (const stored of await open.getAll('events')) if (stored.waiting === 0) await open.delete('events', stored.id);
}
