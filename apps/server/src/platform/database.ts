// The way to PostgreSQL: one transaction for each request, inside one club.
import { setTimeout as sleep } from 'node:timers/promises';
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { MIGRATIONS } from '../../migrations';
import { APP_ROLE, type Config } from './config';
import { ENTITIES } from './entities';
import { prepared } from './prepared';
import { WHO_ASKS } from './sql';
import { sqlStateOf } from './sqlState';

export type Database = MikroORM;

/** Connects as the app's own role, which row-level security binds. */
export function connect(config: Config): Promise<Database> {
  return MikroORM.init({
    clientUrl: config.appUrl,
    entities: ENTITIES,
    pool: { min: 1, max: 12 },
    discovery: { warnWhenNoEntities: false, checkDuplicateTableNames: false },
    // Sent by the driver to the server, so a lost network cannot leave a transaction open for long.
    driverOptions: {
      connection: {
        statement_timeout: 15_000,
        idle_in_transaction_session_timeout: 15_000,
        // Who asks is read from the transaction, not from the text, so one plan serves everybody.
        options: '-c plan_cache_mode=force_generic_plan',
      },
    },
  });
}

/** Connects as the owner of the tables: for migrations and the demo, never for requests. */
export function connectAsOwner(config: Config): Promise<Database> {
  return MikroORM.init({
    clientUrl: config.ownerUrl,
    entities: ENTITIES,
    extensions: [Migrator],
    pool: { min: 0, max: 2 },
    migrations: { migrationsList: MIGRATIONS, transactional: true, allOrNothing: true, snapshot: false, silent: true },
  });
}

/** A number that this app alone locks. */
const START_LOCK = 7_261_126;

/** Prepares a database; servers that start at the same moment do it one after the other. */
export function inTurn(owner: Database, work: () => Promise<void>): Promise<void> {
  const connection = owner.em.getConnection();
  // A connection of its own holds the lock, also while the work has its own transactions.
  return connection.transactional(async (held) => {
    await connection.execute('select pg_advisory_xact_lock(?)', [START_LOCK], 'run', held);
    await work();
  });
}

/** Creates the app's role where it is missing and brings the tables up to date. */
export async function migrate(owner: Database, config: Config): Promise<void> {
  const { name, password } = config.appRole;
  // Roles and password are our own constants (hex, base64url), so they can stand in the text; DDL takes no parameters.
  await owner.em.execute(`
    do $$ begin
      begin
        create role ${APP_ROLE} nologin nosuperuser nobypassrls nocreatedb nocreaterole;
      exception when duplicate_object or unique_violation then null;
      end;
      if not exists (select from pg_roles where rolname = '${name}') then
        create role ${name} login nosuperuser nobypassrls nocreatedb nocreaterole in role ${APP_ROLE};
      end if;
      alter role ${name} password '${password}';
      -- Policies make many small expressions: compiling them takes ten times as long as the queries they stand in.
      alter role ${name} set jit = off;
      -- This role and the owner come in here, and nobody makes tables that stand before ours.
      execute format('revoke connect, temporary on database %I from public', current_database());
      execute format('grant connect on database %I to ${name}', current_database());
    end $$`);
  await owner.em.execute(`grant usage on schema public to ${APP_ROLE}`);
  await owner.getMigrator().up();
}

/** Who asks: set for each transaction, read by the policies. */
export interface Identity {
  readonly accountId: string;
  readonly clubId: string;
  readonly role: string;
  readonly swimmerId: string | null;
  /** A coach's squads, or the squad a swimmer trains with. */
  readonly squadIds: readonly string[];
}

/** SQLSTATEs of two transactions in each other's way, with how often the one sent back begins again. */
const COLLISIONS: Readonly<Record<string, number>> = {
  // Not serializable; deadlock.
  '40001': 6,
  '40P01': 6,
  // A row with this id or secret was just added. If it is still not seen the next time, it is somebody else's.
  '23505': 3,
};

/**
 * Runs work in one transaction in which PostgreSQL knows who asks.
 *
 * Two requests at the same rows at the same moment are put one after the other: the one that the database sent
 * back begins again, on what the first one has stored by then. A repeat that overlaps its first request so finds
 * the first one's answer, and a deadlock is nobody's error. Work must therefore do nothing outside the
 * transaction that may not happen twice.
 */
export async function asIdentity<T>(
  database: Database,
  who: Identity,
  work: (em: EntityManager) => Promise<T>,
): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await once(database, who, work);
    } catch (error) {
      if (tries >= (COLLISIONS[sqlStateOf(error) ?? ''] ?? 1)) throw error;
      // A little apart, so that they do not meet again.
      await sleep(Math.random() * 20 * tries);
    }
  }
}

function once<T>(database: Database, who: Identity, work: (em: EntityManager) => Promise<T>): Promise<T> {
  return database.em.fork().transactional(async (em) => {
    await prepared(em, WHO_ASKS, [
      ...[who.clubId, who.accountId, who.role, who.swimmerId ?? ''],
      `{${who.squadIds.join(',')}}`,
    ]);
    return work(em);
  });
}
