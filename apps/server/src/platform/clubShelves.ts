// The library of a club out of the database.
import type { EntityManager } from '@mikro-orm/postgresql';
import { v7 } from 'uuid';
import { asIdentity, type Database } from './database';
import { BUILT_IN, keptShelves, shelvesOfStamp, type ClubShelves } from './shelves';
import { SHELVES } from './sql';
import { prepared } from './prepared';

const stampOf = (clubId: string, version: number): string => (version === 0 ? '' : `${clubId} ${version}`);

/**
 * The library of the club whose transaction this is.
 *
 * @param changed whether this transaction has changed it: then it is nobody else's yet, and may never be
 */
export async function readShelves(em: EntityManager, clubId: string, changed: boolean): Promise<ClubShelves> {
  const [row] = await prepared(em, SHELVES, []);
  if (!row) return BUILT_IN;
  if (changed) return { stamp: `${clubId} ${v7()}`, shelves: row.shelves };
  return keptShelves({ stamp: stampOf(clubId, row.version), shelves: row.shelves });
}

/**
 * The library of a club.
 *
 * @param version its state, where that is known: then nothing is read that is here already
 */
export async function shelvesOf(database: Database, clubId: string, version?: number): Promise<ClubShelves> {
  const known = version === undefined ? undefined : shelvesOfStamp(stampOf(clubId, version));
  if (known) return known;
  // Nobody's own work: what the club has is worked with for all its people.
  const club = { clubId, accountId: '', role: 'coach', swimmerId: null, squadIds: [] };
  return asIdentity(database, club, (em) => readShelves(em, clubId, false));
}
