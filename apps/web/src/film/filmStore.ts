// Films that stay on this device, in pieces: what was filmed before a tab was closed is here.
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { openAccount } from '@/offline';

export const FILM_VIEWS = ['side', 'front', 'above', 'under'] as const;
export type FilmView = (typeof FILM_VIEWS)[number];

/** A film of one swimmer, without its pictures. */
export interface Film {
  readonly id: string;
  readonly swimmerId: string;
  readonly name: string;
  readonly view: FilmView;
  /** When filming began, ISO 8601. */
  readonly at: string;
  readonly type: string;
  readonly seconds: number;
  readonly bytes: number;
  readonly pieces: number;
  /** When it was looked at; null while it waits. */
  readonly lookedAt: string | null;
  /** Pieces of a megabyte that the server has of a film that is on its way to the coach. */
  readonly there?: number;
}

export type NewFilm = Pick<Film, 'id' | 'swimmerId' | 'name' | 'view' | 'at' | 'type'>;

interface Schema extends DBSchema {
  films: { key: string; value: Film };
  pieces: { key: [film: string, n: number]; value: Blob };
}

const opened = new Map<string, Promise<IDBPDatabase<Schema>>>();

/** The films of the account that is signed in: nobody else sees them on this device. */
function db(): Promise<IDBPDatabase<Schema>> {
  const name = `upwell-films-${openAccount()}`;
  const known =
    opened.get(name) ??
    openDB<Schema>(name, 1, {
      upgrade(created) {
        created.createObjectStore('films', { keyPath: 'id' });
        created.createObjectStore('pieces');
      },
    });
  opened.set(name, known);
  return known;
}

const changes = new EventTarget();
const told = () => void changes.dispatchEvent(new Event('change'));

/** Calls back after each change of what is kept, until it is told to stop. */
export function onFilms(changed: () => void): () => void {
  changes.addEventListener('change', changed);
  return () => changes.removeEventListener('change', changed);
}

/** All films of this account, the oldest first. */
export async function films(): Promise<readonly Film[]> {
  return (await (await db()).getAll('films')).sort((a, b) => a.at.localeCompare(b.at));
}

export async function filmOf(id: string): Promise<Film | undefined> {
  return (await db()).get('films', id);
}

/**
 * Adds the next piece to a film; the first one makes it. Piece and film are stored together or not at all.
 *
 * @param seconds length with this piece
 * @throws QuotaExceededError when the device has no room
 */
export async function addPiece(film: NewFilm, piece: Blob, seconds: number): Promise<void> {
  const change = (await db()).transaction(['films', 'pieces'], 'readwrite');
  // What refuses one request ends the whole change: its own promise says so.
  const ended = change.done;
  const before = await change.objectStore('films').get(film.id);
  const { bytes, pieces, lookedAt } = before ?? { bytes: 0, pieces: 0, lookedAt: null };
  void change
    .objectStore('films')
    .put({ ...film, seconds, bytes: bytes + piece.size, pieces: pieces + 1, lookedAt })
    .catch(() => {});
  void change
    .objectStore('pieces')
    .put(piece, [film.id, pieces])
    .catch(() => {});
  await ended;
  told();
}

/** The whole film; its pieces stay where they are until they are read. */
export async function pictures({ id, type, pieces }: Film): Promise<Blob> {
  const open = await db();
  const all = await open.getAll('pieces', IDBKeyRange.bound([id, 0], [id, pieces]));
  return new Blob(all, { type });
}

export const noteLookedAt = (id: string, at: string | null): Promise<void> => note(id, { lookedAt: at });
export const noteThere = (id: string, there: number): Promise<void> => note(id, { there });

async function note(id: string, noted: Partial<Film>): Promise<void> {
  const change = (await db()).transaction('films', 'readwrite');
  const film = await change.store.get(id);
  if (film) await change.store.put({ ...film, ...noted });
  await change.done;
  told();
}

/** Deletes films with all their pieces. */
export async function deleteFilms(ids: readonly string[]): Promise<void> {
  const change = (await db()).transaction(['films', 'pieces'], 'readwrite');
  await Promise.all([
    ...ids.map((id) => change.objectStore('films').delete(id)),
    ...ids.map((id) => change.objectStore('pieces').delete(IDBKeyRange.bound([id, 0], [id, Infinity]))),
    change.done,
  ]);
  told();
}

/** Bytes that are free for this app; null where the browser does not say. */
export async function freeBytes(): Promise<number | null> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  return quota === undefined || usage === undefined ? null : Math.max(0, quota - usage);
}

/** Asks the browser not to clear films when the device runs short; it may say no. */
export async function keepFilms(): Promise<boolean> {
  return (await navigator.storage?.persist?.()) ?? false;
}
