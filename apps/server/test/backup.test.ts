import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import { seedDemo } from '../demo/seedDemo';
import { createApp } from '../src/platform/app';
import type { Config } from '../src/platform/config';
import { connect, inTurn, migrate, type Database } from '../src/platform/database';
import { prepareJobs } from '../src/platform/jobs';
import { Harness } from './harness';

let harness: Harness;
let folder: string;
beforeAll(async () => {
  harness = await Harness.start();
  folder = await mkdtemp(path.join(tmpdir(), 'upwell-backup-'));
});
afterAll(async () => {
  await rm(folder, { recursive: true });
  await harness.stop();
});

const script = (name: string, file: string, { ownerUrl }: Config) =>
  promisify(execFile)(process.execPath, [path.join(__dirname, '../../../scripts', name), file], {
    env: { ...process.env, DATABASE_URL: ownerUrl },
  });

/** Each table with its number of rows and a sum over all of them. */
async function everything(owner: Database): Promise<Record<string, string>> {
  const em = owner.em.fork();
  const tables = await em.execute<{ name: string }[]>(
    `select tablename as name from pg_tables where schemaname = 'public' order by 1`,
  );
  const found: Record<string, string> = {};
  for (const { name } of tables) {
    const rows = await em.execute<{ row: string }[]>(`select t::text as row from ${name} t order by 1`);
    const sum = createHash('sha256').update(rows.map((r) => r.row).join('\n'));
    found[name] = `${rows.length} ${sum.digest('hex')}`;
  }
  return found;
}

const start = (owner: Database, config: Config) =>
  inTurn(owner, async () => {
    await migrate(owner, config);
    await prepareJobs(owner, config);
  });

it('a backup brings everything into an empty database, where everybody signs in as before', async () => {
  const file = path.join(folder, 'club.backup');
  let before: Record<string, string> = {};
  await harness.inEmptyDatabase(async (owner, config) => {
    await start(owner, config);
    await seedDemo(owner.em.fork(), new Date('2026-11-25T09:00:00Z'));
    before = await everything(owner);
    await script('backup.mjs', file, config);
  });
  expect(Object.keys(before).length).toBeGreaterThan(25);
  // Children's data: for its owner's eyes only.
  expect((await stat(file)).mode & 0o077).toBe(0);
  await harness.inEmptyDatabase(async (owner, config) => {
    await script('restore.mjs', file, config);
    expect(await everything(owner)).toEqual(before);
    await start(owner, config);
    const database = await connect(config);
    const { jobs, work } = harness;
    const app = await createApp({ database, config, jobs, work });
    const payload = { email: 'head@upwell.example', password: 'quiet-water-demo' };
    const signedIn = await app.inject({ method: 'POST', url: '/api/v1/account/sign-in', payload });
    expect(signedIn.statusCode).toBe(200);
    const cookies = { upwell_session: signedIn.cookies[0]!.value };
    const swimmers = await app.inject({ url: '/api/v1/swimmers', cookies });
    expect(swimmers.json<{ items: unknown[] }>().items.length).toBeGreaterThan(20);
    expect((await app.inject({ url: '/readyz' })).statusCode).toBe(200);
    await app.close();
    await database.close();
  });
});

it('a backup is never mixed with what is stored already, nor written over another one', () =>
  harness.inOwnDatabase(async (_owner, config) => {
    const file = path.join(folder, 'other.backup');
    await script('backup.mjs', file, config);
    await expect(script('backup.mjs', file, config)).rejects.toThrow(/is there already/);
    const refused = script('restore.mjs', file, config);
    await expect(refused).rejects.toThrow(/never mixed with it/);
    // And no password is said on the way.
    const password = new URL(config.ownerUrl).password;
    await refused.catch((error: { stdout: string; stderr: string }) =>
      expect(error.stdout + error.stderr).not.toContain(password),
    );
  }));

it('a database that the app may not read is not ready, and says so', () =>
  harness.inOwnDatabase(async (owner, config) => {
    const database = await connect(config);
    const { jobs, work } = harness;
    const app = await createApp({ database, config, jobs, work });
    expect((await app.inject({ url: '/readyz' })).statusCode).toBe(200);
    // As after a backup that was brought in without its rights.
    await owner.em.execute('revoke select on club from upwell_app');
    expect((await app.inject({ url: '/readyz' })).statusCode).toBe(503);
    await app.close();
    await database.close();
  }));
