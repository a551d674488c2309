// Which club's library counts while a request, a task of a thread or a night's work runs.
import { NOTHING_OWN, readOwnFrom, type OwnShelves } from '@upwell/core/own';
import { AsyncLocalStorage } from 'node:async_hooks';

/** The library of a club in one of its states; the same state is the same object, so what follows from it is kept. */
export interface ClubShelves {
  /** Names club and state; empty where nothing is the club's own. */
  readonly stamp: string;
  readonly shelves: OwnShelves;
}

export const BUILT_IN: ClubShelves = { stamp: '', shelves: NOTHING_OWN };

const current = new AsyncLocalStorage<ClubShelves>();
readOwnFrom(() => (current.getStore() ?? BUILT_IN).shelves);

/** The library that counts now. */
export const shelvesNow = (): ClubShelves => current.getStore() ?? BUILT_IN;

/** Runs work in the library of a club. */
export const inShelves = <T>(shelves: ClubShelves, work: () => T): T => current.run(shelves, work);

/** From here on in this request another library counts: the one that just came in. */
export const goOnIn = (shelves: ClubShelves): void => current.enterWith(shelves);

/** States kept, of all clubs. */
const MOST_KEPT = 200;
const kept = new Map<string, ClubShelves>();

/** The same object for the same state of a club's library. */
export function keptShelves(made: ClubShelves): ClubShelves {
  if (made.stamp === '') return BUILT_IN;
  const known = kept.get(made.stamp);
  if (known) return known;
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(made.stamp, made);
  return made;
}

/** The library with this stamp, where it is kept here. */
export const shelvesOfStamp = (stamp: string): ClubShelves | undefined => (stamp === '' ? BUILT_IN : kept.get(stamp));
