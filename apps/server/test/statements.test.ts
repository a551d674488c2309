import { readdirSync } from 'node:fs';
import path from 'node:path';
import { all, change, first, moment, one, orNull, rows, run, STATEMENTS, text } from '../src/platform/statement';
import { prepared, runPrepared } from '../src/platform/prepared';
import { Harness } from './harness';

const SRC = path.resolve(__dirname, '../src');
const FILES = readdirSync(SRC, { recursive: true, encoding: 'utf8' }).filter((file) => /(^|\/)\w*sql\.ts$/i.test(file));

/** The driver that MikroORM stands on, as far as this test knows it. */
interface Client {
  connect(): Promise<void>;
  end(): Promise<void>;
  query(asked: string): Promise<{ readonly rows: readonly { readonly oid: number; readonly typname: string }[] }>;
  query(asked: object): unknown;
}
interface Connection {
  parse(
    query: { readonly name: string; readonly text: string; readonly types: readonly number[] },
    more: boolean,
  ): void;
  describe(what: { readonly type: 'S'; readonly name: string }, more: boolean): void;
  sync(): void;
}
const { Client: PgClient } = jest.requireActual<{
  readonly Client: new (options: { readonly connectionString: string }) => Client;
}>('pg');

interface Field {
  readonly name: string;
  readonly dataTypeID: number;
}

/** Asks PostgreSQL what columns a statement would give, without running it. */
function described(client: Client, sql: string): Promise<readonly Field[]> {
  return new Promise((resolve, reject) => {
    let fields: readonly Field[] = [];
    client.query({
      submit(connection: Connection) {
        connection.parse({ name: '', text: sql, types: [] }, true);
        connection.describe({ type: 'S', name: '' }, true);
        connection.sync();
      },
      handleRowDescription: (message: { readonly fields: readonly Field[] }) => (fields = message.fields),
      handleError: reject,
      handleReadyForQuery: () => resolve(fields),
      handleParameterDescription: () => undefined,
      handleNoData: () => undefined,
      handleParseComplete: () => undefined,
    });
  });
}

describe('statements that are written by hand', () => {
  let harness: Harness;
  let client: Client;
  let typeName: ReadonlyMap<number, string>;

  beforeAll(async () => {
    harness = await Harness.start();
    for (const file of FILES) await import(path.join(SRC, file));
    client = new PgClient({ connectionString: harness.config.ownerUrl });
    await client.connect();
    const { rows } = await client.query('select oid::int, typname from pg_type');
    typeName = new Map(rows.map(({ oid, typname }) => [oid, typname]));
  });
  afterAll(async () => {
    await client.end();
    await harness.stop();
  });

  it('are there', () => expect(STATEMENTS.length).toBeGreaterThanOrEqual(100));

  it('give the columns that are stated, in types that come out so', async () => {
    for (const statement of STATEMENTS) {
      const { sql } = statement;
      let n = 0;
      const fields = await described(
        client,
        sql.replace(/\?/g, () => `$${++n}`),
      );
      // Of a change that it can be planned is all there is to know.
      if (!('columns' in statement)) continue;
      const given = Object.fromEntries(fields.map(({ name, dataTypeID }) => [name, typeName.get(dataTypeID)!]));
      const stated = Object.fromEntries(
        Object.entries(statement.columns).map(([name, { types }]) => [
          name,
          types.includes(given[name]!) ? given[name] : types,
        ]),
      );
      expect({ sql, columns: given }).toEqual({ sql, columns: stated });
    }
  });

  it('give moments as every browser reads them, and none where there is none', async () => {
    const at = rows(
      { at: moment, never: orNull(moment), said: text },
      `select '2027-06-21 15:04:05.678+02'::timestamptz as at, null::timestamptz as never, 'x'::text as said`,
    );
    const em = harness.owner.em.fork();
    const expected = { at: '2027-06-21T13:04:05.678Z', never: null, said: 'x' };
    expect(await first(em, at)).toEqual(expected);
    expect(await prepared(em, at, [])).toEqual([expected]);
  });

  it('ask nothing more of a transaction that is over: by then its connection is somebody else’s', async () => {
    const two = rows({ a: text, b: text }, 'select ?::text as b, ?::text as a');
    let inside!: typeof harness.owner.em;
    await harness.owner.em.fork().transactional(async (em) => {
      inside = em as typeof inside;
      expect(await prepared(inside, two, ['first', 'second'])).toEqual([{ b: 'first', a: 'second' }]);
    });
    await expect(prepared(inside, two, ['first', 'second'])).rejects.toThrow('The transaction is over: select ');
  });

  it('give their connection back, also after an error', async () => {
    const broken = rows({ n: text }, 'select (1 / ?::integer)::text as n');
    // Three times as many as there are connections.
    for (let i = 0; i < 36; i++) {
      await expect(prepared(harness.database.em, broken, [0])).rejects.toMatchObject({ code: '22012' });
    }
    expect(await prepared(harness.database.em, broken, [1])).toEqual([{ n: '1' }]);
  });

  it('say how many rows a change touched, and complain when the one row is missing', async () => {
    const em = harness.owner.em.fork();
    const none = rows({ id: text }, `select 'x'::text as id where false`);
    expect(await all(em, none)).toEqual([]);
    expect(await first(em, none)).toBeNull();
    await expect(one(em, none)).rejects.toThrow('No row of: select');
    await em.transactional(async (inside) => {
      await inside.execute('create temporary table few (n integer) on commit drop');
      const add = change('insert into few select generate_series(1, ?)');
      expect(await run(inside, add, [3])).toBe(3);
      expect(await runPrepared(inside, add, [2])).toBe(2);
    });
  });
});
