/**
 * Runs a query as a prepared statement, inside the running transaction.
 *
 * Row-level security makes planning dearer than running; for the queries that every screen asks, the
 * plan is kept. Lists go in as arrays: `= any(?::uuid[])`.
 */
import { createHash } from 'node:crypto';
import type { EntityManager, Knex } from '@mikro-orm/postgresql';
import { made, type Change, type Statement } from './statement';

interface Named {
  /** A hash of the text: the same text is planned once for each connection. */
  readonly name: string;
  /** With `$1`, `$2`, … where statements have `?`. */
  readonly text: string;
}
const known = new Map<string, Named>();

function named(sql: string): Named {
  const seen = known.get(sql);
  if (seen) return seen;
  let place = 0;
  const it = {
    name: createHash('sha1').update(sql).digest('hex').slice(0, 24),
    text: sql.replace(/\?/g, () => `$${++place}`),
  };
  known.set(sql, it);
  return it;
}

interface Given {
  readonly rows: never[];
  readonly rowCount: number;
}
interface Connection {
  query(it: Named & { readonly values: readonly unknown[] }): Promise<Given>;
}
/** What knex has of a pool, or of the one connection of a transaction. */
interface Connections {
  acquireConnection(): Promise<Connection>;
  releaseConnection(connection: Connection): Promise<void>;
}

/** Straight to the driver: a query builder with nothing to build takes as long as the rest of a short request. */
async function ask(em: EntityManager, sql: string, values: readonly unknown[]): Promise<Given> {
  const transaction = em.getTransactionContext<Knex.Transaction>();
  if (transaction?.isCompleted()) throw new Error(`The transaction is over: ${sql}`);
  const connections = (transaction ?? em.getKnex()).client as Connections;
  const connection = await connections.acquireConnection();
  try {
    return await connection.query({ ...named(sql), values });
  } finally {
    await connections.releaseConnection(connection);
  }
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
