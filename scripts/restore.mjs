// Brings a backup into an empty database: npm run restore -- upwell.backup, then npm start.
// DATABASE_URL names another database than that of `npm start`.
import { existsSync } from 'node:fs';
import path from 'node:path';
import { installPostgres, ownData, pgTool, startCluster } from './lib/postgres.mjs';
import { Advice, checkNode, fail, step } from './lib/steps.mjs';

/** The backup grants the app its rights, so the role that gets them has to exist first. */
const ROLE = `do $$ begin create role upwell_app nologin; exception when duplicate_object then null; end $$`;

async function main() {
  checkNode();
  const name = process.argv[2];
  if (!name) throw new Advice('Name the file of the backup: npm run restore -- FILE');
  const file = path.resolve(process.env.INIT_CWD ?? '.', name);
  if (!existsSync(file)) throw new Advice(`${file} is not there.`);
  await installPostgres();
  const own = process.env.DATABASE_URL ? null : await startCluster(ownData(), 'upwell');
  const url = process.env.DATABASE_URL ?? own.url;
  const sql = (text) => pgTool('psql', ['-X', '-q', '-t', '-A', '-v', 'ON_ERROR_STOP=1', '-c', text], url);
  try {
    const tables = await sql(`select count(*) from pg_tables where schemaname = 'public'`);
    if (Number(tables) > 0) {
      const where = own ? `Stop Upwell and move ${own.folder} away` : 'Name an empty one with DATABASE_URL';
      throw new Advice(`Something is stored in this database already, and a backup is never mixed with it. ${where}.`);
    }
    await step('restore', async () => {
      await sql(ROLE);
      await pgTool('pg_restore', ['--no-owner', '--exit-on-error', '--single-transaction', file], url);
    });
  } finally {
    if (own && !own.wasRunning) await own.stop();
  }
  console.log('\n  Everything is back. Start with npm start; everybody signs in as before.');
}

main().catch(fail);
