import { MikroORM, type EntityManager } from '@mikro-orm/postgresql';
import { Migrator } from '@mikro-orm/migrations';
import { MIGRATIONS } from '../../migrations';
import type { Config } from './config';
import { ENTITIES } from './entities';
import { prepared } from './prepared';

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

/** Creates the app's role where it is missing and brings the tables up to date. */
export async function migrate(owner: Database, config: Config): Promise<void> {
  const { name, password } = config.appRole;
  // Role and password are our own constants (base64url), so they can stand in the text; DDL takes no parameters.
  await owner.em.execute(`
    do $$ begin
      if not exists (select from pg_roles where rolname = '${name}') then
        create role ${name} login nosuperuser nobypassrls nocreatedb nocreaterole;
      end if;
      alter role ${name} password '${password}';
    end $$`);
  await owner.em.execute(`grant usage on schema public to ${name}`);
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

/** Runs work in one transaction in which PostgreSQL knows who asks. */
export function asIdentity<T>(database: Database, who: Identity, work: (em: EntityManager) => Promise<T>): Promise<T> {
  return database.em.fork().transactional(async (em) => {
    await prepared(
      em,
      `select set_config('app.club_id', ?, true), set_config('app.account_id', ?, true), set_config('app.role', ?, true),
              set_config('app.swimmer_id', ?, true), set_config('app.squad_ids', ?, true)`,
      [who.clubId, who.accountId, who.role, who.swimmerId ?? '', `{${who.squadIds.join(',')}}`],
    );
    return work(em);
  });
}
