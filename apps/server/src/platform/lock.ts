// One order in which everybody takes locks.
import type { EntityManager } from '@mikro-orm/postgresql';
import { LOCK_SWIMMERS } from './sql';
import { all } from './statement';

/**
 * Makes others who change these swimmers, or what there is once for each of them, wait until this transaction ends.
 *
 * Everybody takes locks in one order: swimmers by their id, then a session, then everything else. Rows that only
 * name a swimmer are still added meanwhile.
 *
 * @returns the swimmers among them that one may see
 */
export function lockSwimmers(em: EntityManager, ids: readonly string[]): Promise<{ readonly id: string }[]> {
  return all(em, LOCK_SWIMMERS, [`{${ids.join(',')}}`]);
}
