/**
 * Runs a query as a prepared statement, inside the running transaction.
 *
 * Row-level security makes planning dearer than running; for the queries that every screen asks, the
 * plan is kept. Lists go in as arrays: `= any(?::uuid[])`.
 */
import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';

const names = new Map<string, string>();

/** A statement's name is a hash of its text: the same text is planned once for each connection. */
function nameOf(sql: string): string {
  const known = names.get(sql);
  if (known) return known;
  const name = createHash('sha1').update(sql).digest('hex').slice(0, 24);
  names.set(sql, name);
  return name;
}

export async function prepared<Row>(em: EntityManager, sql: string, values: readonly unknown[]): Promise<Row[]> {
  const query = em
    .getKnex()
    .raw(sql, values as never[])
    .options({ name: nameOf(sql) });
  const transaction = em.getTransactionContext<never>();
  const { rows } = (await (transaction ? query.transacting(transaction) : query)) as unknown as { rows: Row[] };
  return rows;
}
