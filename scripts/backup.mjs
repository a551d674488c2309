// Saves everything that is stored into one file, also while Upwell runs: npm run backup -- upwell.backup
// DATABASE_URL names another database than that of `npm start`.
import { chmodSync, existsSync, statSync } from 'node:fs';
import path from 'node:path';
import { installPostgres, ownData, pgTool, startCluster } from './lib/postgres.mjs';
import { Advice, checkNode, fail, step } from './lib/steps.mjs';

async function main() {
  checkNode();
  const day = new Date().toISOString().slice(0, 10);
  const file = path.resolve(process.env.INIT_CWD ?? '.', process.argv[2] ?? `upwell-${day}.backup`);
  if (existsSync(file)) throw new Advice(`${file} is there already. Give another name: npm run backup -- NAME`);
  await installPostgres();
  const own = process.env.DATABASE_URL ? null : await startCluster(ownData(), 'upwell');
  try {
    await step('backup', async () => {
      const url = process.env.DATABASE_URL ?? own.url;
      await pgTool('pg_dump', ['--format=custom', '--no-owner', '--file', file], url);
      // It holds the data of children and the hashes of passwords.
      chmodSync(file, 0o600);
      return `${(statSync(file).size / 1e6).toFixed(1)} MB`;
    });
  } finally {
    if (own && !own.wasRunning) await own.stop();
  }
  console.log(`\n  Everything is in ${file}\n  It holds data of children: keep it where only you can read it.`);
}

main().catch(fail);
