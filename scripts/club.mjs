// The code with which the first club of a server is begun: npm run club -- code
// DATABASE_URL names another database than that of `npm start -- --empty`.
import path from 'node:path';
import { installPostgres, startCluster } from './lib/postgres.mjs';
import { checkNode, fail, ROOT, run } from './lib/steps.mjs';

async function main() {
  checkNode();
  const own = process.env.DATABASE_URL ? null : (await installPostgres(), await startCluster('club', 'upwell'));
  try {
    const said = await run(process.execPath, ['--import', 'tsx', 'src/club.ts', ...process.argv.slice(2)], {
      cwd: path.join(ROOT, 'apps/server'),
      env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? own.url },
    });
    process.stdout.write(said);
  } finally {
    if (own && !own.wasRunning) await own.stop();
  }
}

main().catch(fail);
