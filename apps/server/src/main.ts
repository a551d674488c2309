import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { seedDemo } from '../demo/seedDemo';
import { setupCode } from './account/setup';
import { createApp } from './platform/app';
import { readConfig } from './platform/config';
import { backgroundWork } from './platform/background';
import { connect, connectAsOwner, inTurn, migrate } from './platform/database';
import { prepareJobs, startJobs } from './platform/jobs';
import { startWork } from './work';

/** What starts servers waits longer than this before it ends them the hard way. */
const LONGEST_LEAVE_MS = 20_000;

/** Built, as everything starts it, or run from its sources. */
const BUILT = import.meta.url.endsWith('.mjs');
const beside = (file: string) => fileURLToPath(new URL(file, import.meta.url));

/** The clip of the app that the demo's swimmer has sent in; there is none before the app is built. */
async function simulatedClip(): Promise<Buffer | null> {
  const file = path.join(process.env.WEB_ROOT ?? '', 'clips', 'side-steady.webm');
  return existsSync(file) ? readFile(file) : null;
}

async function main(): Promise<void> {
  if (BUILT) {
    process.env.WEB_ROOT ??= beside('../../web/dist');
    process.env.LOG_LEVEL ??= 'info';
  }
  const config = readConfig(process.env);
  // The threads read their code while the tables are looked at.
  const working = startWork(BUILT ? beside('worker.mjs') : null);
  // Should they fail while nobody waits for them yet, it is told below, where they are waited for.
  working.catch(() => undefined);
  const owner = await connectAsOwner(config);
  await inTurn(owner, async () => {
    await migrate(owner, config);
    await prepareJobs(owner, config);
    if (config.demo) await seedDemo(owner.em.fork(), new Date(), await simulatedClip());
  });
  const code = await setupCode(owner);
  await owner.close();

  const [database, work] = await Promise.all([connect(config), working]);
  const jobs = await startJobs(config, backgroundWork(database, work));
  const app = await createApp({ database, config, jobs, work });
  await app.listen({ host: config.host, port: config.port });
  // The start script reads these two lines.
  if (code) console.log(`setup code ${code}`);
  console.log(`listening on ${config.publicUrl ?? `http://${config.host}:${config.port}`}`);

  let closing = false;
  const close = async (): Promise<void> => {
    if (closing) return;
    closing = true;
    // A database that does not answer any more keeps it no longer than this.
    setTimeout(() => {
      console.error(`Left after ${LONGEST_LEAVE_MS / 1000} s with work under way`);
      process.exit(1);
    }, LONGEST_LEAVE_MS).unref();
    await app.close();
    await jobs.stop();
    await work.stop();
    await database.close();
    process.exit(0);
  };
  process.on('SIGTERM', () => void close());
  process.on('SIGINT', () => void close());
  process.on('disconnect', () => void close());
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
