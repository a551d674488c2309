import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** The cluster of `npm start`, from the outside: a script of its own each time, as after a restart of the machine. */
const name = `own-${process.pid}`;
const run = (script: string) =>
  spawnSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `import { startCluster, removeCluster } from '${path.join(__dirname, '../../../scripts/lib/postgres.mjs')}';
       import { execFileSync, spawnSync } from 'node:child_process';
       const start = () => startCluster('${name}', 'upwell_own');
       ${script}`,
    ],
    { encoding: 'utf8', timeout: 60_000 },
  );
afterAll(() => run(`removeCluster('${name}')`));
jest.setTimeout(120_000);

it('starts after a power cut whose process number belongs to another program by now', () => {
  const first = run(`const c = await start(); await c.stop(); console.log(c.folder);`);
  const folder = first.stdout.trim();
  expect([first.status, folder.length > 0]).toEqual([0, true]);
  const pidFile = path.join(folder, 'cluster/postmaster.pid');
  // This test itself lives, and is no database.
  writeFileSync(pidFile, `${process.pid}\n${folder}/cluster\n1\n59999\n\n127.0.0.1\n`);
  const second = run(`const c = await start(); console.log(new URL(c.url).port !== '59999'); await c.stop();`);
  expect([second.status, second.stdout.trim()]).toEqual([0, 'true']);
});

it('is started again on its port after it was killed', () => {
  const { stdout, status } = run(`
    import { readFileSync } from 'node:fs';
    const c = await start();
    const pid = Number(readFileSync(c.folder + '/cluster/postmaster.pid', 'utf8').split('\\n')[0]);
    const said = [await c.revive()];
    process.kill(pid, 'SIGKILL');
    for (let i = 0; i < 100; i++) {
      try { process.kill(pid, 0); } catch { break; }
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    said.push(await c.revive(), await c.revive());
    execFileSync('psql', [c.url, '-c', 'select 1'], { stdio: 'ignore' });
    console.log(JSON.stringify(said));
    await c.stop();`);
  expect([status, stdout.trim()]).toEqual([0, '[false,true,false]']);
});

it('says no password when something fails, and keeps no values of a failed statement in its log', () => {
  const { stdout, stderr } = run(`
    const c = await start();
    console.log(c.folder);
    const sql = (text) => console.log(spawnSync('psql', [c.url, '-c', text], { stdio: 'ignore' }).status);
    sql("create table p (name text primary key); insert into p values ('Ada Secretname')");
    sql("insert into p values ('Ada Secretname')");
    sql("select 'Ada Secretname'::uuid");
    sql("select 'Ada Secretname'::jsonb");
    sql("select * from p where name = 'Ada Secretname' and nothing = 1");
    // A database that cannot be made: what is said of it comes from the tool.
    await c.stop();
    try { await c.recreate(); } catch (error) { console.error(error.message); }`);
  const [folder, ...codes] = stdout.trim().split('\n') as [string, ...string[]];
  expect(codes).toEqual(['0', '1', '1', '1', '1']);
  const log = readFileSync(path.join(folder, 'server.log'), 'utf8');
  expect(log).toContain('starting PostgreSQL');
  expect(log).not.toMatch(/Ada|Secretname/);
  const password = readFileSync(path.join(folder, 'password'), 'utf8').trim();
  expect(stderr).toContain('failed');
  expect(stdout + stderr + log).not.toContain(password);
});

it.each([
  ['that runs', ''],
  ['that has ended by itself', `await new Promise((r) => child.once('exit', r) && child.stdin.end());`],
  ['that was killed', `await new Promise((r) => child.once('exit', r) && child.kill('SIGKILL'));`],
])('a program %s is ended, and nobody waits for it longer', (_what, before) => {
  const { stdout, status } = run(`
    const { end } = await import('${path.join(__dirname, '../../../scripts/lib/end.mjs')}');
    const { spawn } = await import('node:child_process');
    const child = spawn('cat', { stdio: ['pipe', 'ignore', 'ignore'] });
    await new Promise((r) => child.once('spawn', r));
    ${before}
    await end(child);
    console.log(child.exitCode ?? child.signalCode);`);
  expect(status).toBe(0);
  expect(stdout.trim()).toMatch(/^(0|SIGTERM|SIGKILL)$/);
});
