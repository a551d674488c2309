import type { EntityManager } from '@mikro-orm/postgresql';

/**
 * Makes others who change these swimmers, or what there is once for each of them, wait until this transaction ends.
 *
 * Everybody takes locks in one order: swimmers by their id, then a session, then everything else. Rows that only
 * name a swimmer are still added meanwhile.
 *
 * @returns the swimmers among them that one may see
 */
export function lockSwimmers(em: EntityManager, ids: readonly string[]): Promise<{ readonly id: string }[]> {
  return em.execute<{ id: string }[]>(
    'select id from swimmer where id = any(?::uuid[]) order by id for no key update',
    [`{${ids.join(',')}}`],
    'all',
  );
}
