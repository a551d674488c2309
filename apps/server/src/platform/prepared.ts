/**
 * Runs a query as a prepared statement, inside the running transaction.
 *
 * Row-level security makes planning dearer than running; for the queries that every screen asks, the
 * plan is kept. Lists go in as arrays: `= any(?::uuid[])`.
 */
import { createHash } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { made, type Change, type Statement } from './statement';

const names = new Map<string, string>();

/** A statement's name is a hash of its text: the same text is planned once for each connection. */
function nameOf(sql: string): string {
  const known = names.get(sql);
  if (known) return known;
  const name = createHash('sha1').update(sql).digest('hex').slice(0, 24);
  names.set(sql, name);
  return name;
}

type Given = { readonly rows: never[]; readonly rowCount: number };

async function ask(em: EntityManager, sql: string, values: readonly unknown[]): Promise<Given> {
  const query = em
    .getKnex()
    .raw(sql, values as never[])
    .options({ name: nameOf(sql) });
  const transaction = em.getTransactionContext<never>();
  return (await (transaction ? query.transacting(transaction) : query)) as unknown as Given;
}

/** All rows of a statement. */
export const prepared = async <R>(
  em: EntityManager,
  statement: Statement<R>,
  values: readonly unknown[],
): Promise<R[]> => made(statement, (await ask(em, statement.sql, values)).rows);

/** Makes a change; answers with how many rows it changed. Values are bound, so that long ones cost little. */
export const runPrepared = async (em: EntityManager, { sql }: Change, values: readonly unknown[]): Promise<number> =>
  (await ask(em, sql, values)).rowCount;
