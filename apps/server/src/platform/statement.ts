// SQL that is written by hand, with the shape of its rows stated once: the compiler takes the row type from it, and a test
// holds it against the database.
import type { EntityManager } from '@mikro-orm/postgresql';

/** How a column comes out, and which types of PostgreSQL come out so. */
export interface Column<T> {
  readonly types: readonly string[];
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
/** A day of the calendar, as `2027-06-21`. */
export const day = column<string>('date');
/** A moment as PostgreSQL writes it, like `2026-11-27 15:04:05.678+00`; `new Date` reads it. */
export const moment = column<string>('timestamptz');
export const json = <T>(): Column<T> => column('jsonb', 'json');
/** A text that is one of few. */
export const textOf = <T extends string>(): Column<T> => column('text', 'varchar');
export const orNull = <T>({ types }: Column<T>): Column<T | null> => ({ types });

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

/** Every statement there is, for the test. */
export const STATEMENTS: Statement<unknown>[] = [];

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

/** All rows of a statement. */
export const all = <R>(em: EntityManager, { sql }: Statement<R>, params: readonly unknown[] = []): Promise<R[]> =>
  em.execute<R[]>(sql, [...params], 'all');

/** The first row of a statement, or null. */
export const first = async <R>(
  em: EntityManager,
  it: Statement<R>,
  params: readonly unknown[] = [],
): Promise<R | null> => (await all(em, it, params))[0] ?? null;
