// SQL that is written by hand, with the shape of its rows stated once: the compiler takes the row type from it, and a test
// holds it against the database.
import type { EntityManager } from '@mikro-orm/postgresql';

/** How a column comes out, and which types of PostgreSQL come out so. */
export interface Column<T> {
  readonly types: readonly string[];
  /** What is made of what the driver gives, where that is not what is wanted. */
  readonly made?: (given: string) => string;
  /** Only for the compiler. */
  readonly as?: T;
}

const column = <T>(...types: string[]): Column<T> => ({ types });

export const uuid = column<string>('uuid');
export const uuids = column<readonly string[]>('_uuid');
export const text = column<string>('text', 'varchar');
export const int = column<number>('int4');
/** A large count, as text: it may be more than a number holds. */
export const bigint = column<string>('int8');
export const float = column<number>('float8');
export const bool = column<boolean>('bool');
export const bytea = column<Buffer>('bytea');
/** A day of the calendar, as `2027-06-21`. */
export const day = column<string>('date');
/** A moment, as `2026-11-27T15:04:05.678Z`: not every browser reads what PostgreSQL writes. */
export const moment: Column<string> = { types: ['timestamptz'], made: (given) => new Date(given).toISOString() };
export const json = <T>(): Column<T> => column('jsonb', 'json');
/** A text that is one of few. */
export const textOf = <T extends string>(): Column<T> => column('text', 'varchar');
export const orNull = <T>({ types, made }: Column<T>): Column<T | null> => ({ types, made });

type Columns = Readonly<Record<string, Column<unknown>>>;
type Row<C extends Columns> = { readonly [K in keyof C]: C[K] extends Column<infer T> ? T : never };

/** A statement that gives rows. Parameters stand as `?`. */
export interface Statement<R> {
  readonly sql: string;
  readonly columns: Columns;
  readonly row?: R;
}

/** The rows of a statement. */
export type RowOf<S> = S extends Statement<infer R> ? R : never;

/** A statement that changes rows, and whose own rows nobody reads. */
export interface Change {
  readonly sql: string;
}

/** Every statement there is, for the test. */
export const STATEMENTS: (Statement<unknown> | Change)[] = [];

/**
 * A statement with the columns of its rows, in any order.
 *
 * @example
 * const SQUADS = rows({ id: uuid, name: text, swimmers: int }, 'select id, name, … from squad where club_id = ?');
 * await all(em, SQUADS, [clubId]) // { id: string; name: string; swimmers: number }[]
 */
export function rows<C extends Columns>(columns: C, sql: string): Statement<Row<C>> {
  const statement = { sql, columns };
  STATEMENTS.push(statement);
  return statement;
}

/**
 * A statement that only changes rows.
 *
 * @example
 * const CLOSE = change('update squad set archived = true where id = ?');
 * await run(em, CLOSE, [squadId]) // 1, as many rows as were changed
 */
export function change(sql: string): Change {
  const statement = { sql };
  STATEMENTS.push(statement);
  return statement;
}

/** All rows of a statement. */
export const all = async <R>(
  em: EntityManager,
  statement: Statement<R>,
  params: readonly unknown[] = [],
): Promise<R[]> => made(statement, await em.execute<R[]>(statement.sql, [...params], 'all'));

/** Rows with the columns made that do not come out as they are wanted. */
export function made<R>({ columns }: Statement<R>, given: readonly R[]): R[] {
  const changed = Object.entries(columns).flatMap(([name, { made: make }]) => (make ? [{ name, make }] : []));
  if (changed.length === 0) return [...given];
  return given.map((row) => {
    const out = { ...row } as Record<string, unknown>;
    for (const { name, make } of changed) if (out[name] !== null) out[name] = make(out[name] as string);
    return out as R;
  });
}

/** The first row of a statement, or null. */
export const first = async <R>(
  em: EntityManager,
  it: Statement<R>,
  params: readonly unknown[] = [],
): Promise<R | null> => (await all(em, it, params))[0] ?? null;

/** The row of a statement that always gives one, like a count. */
export async function one<R>(em: EntityManager, it: Statement<R>, params: readonly unknown[] = []): Promise<R> {
  const row = await first(em, it, params);
  if (!row) throw new Error(`No row of: ${it.sql}`);
  return row;
}

/** Makes a change; answers with how many rows it changed. */
export const run = async (em: EntityManager, { sql }: Change, params: readonly unknown[] = []): Promise<number> =>
  (await em.execute<{ affectedRows: number }>(sql, [...params], 'run')).affectedRows;
