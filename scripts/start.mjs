// Starts Upwell on a fresh clone or an old one: installs what is missing, brings up its own database,
// builds the web app when it changed, and serves everything on one port of this machine.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { end } from './lib/end.mjs';
import { installPostgres, ownData, portIsFree, startCluster } from './lib/postgres.mjs';
import { Advice, buildServer, buildWeb, checkNode, fail, installPackages, ROOT, step } from './lib/steps.mjs';

const port = Number(process.env.PORT ?? 4600);
const external = process.env.DATABASE_URL;
/** `npm start -- --empty`: the database of a club of one's own, without the demo. */
const data = process.argv.includes('--empty') ? 'club' : ownData();
const demo = !external && data === 'demo';
/** The one-time code, while there is no club. */
let code = null;

async function main() {
  console.log('Upwell is getting ready');
  checkNode();
  if (!(await portIsFree(port))) {
    throw new Advice(`Port ${port} is in use. Stop the other program, or choose a port: PORT=4601 npm start`);
  }
  await step('npm packages', installPackages);

  let cluster = null;
  if (!external) {
    await step('PostgreSQL server', installPostgres);
    await step('database', async () => {
      cluster = await startCluster(data, 'upwell');
      return cluster.folder;
    });
  }
  let server = null;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    console.log('\nStopping');
    if (server) await end(server);
    if (cluster) await step('database stopped', () => cluster.stop().then(() => ''));
  };
  const stopAndLeave = () =>
    void stop().then(
      () => process.exit(0),
      (error) => fail(error),
    );
  process.on('SIGINT', stopAndLeave);
  process.on('SIGTERM', stopAndLeave);

  try {
    await step('web app', buildWeb);
    await step('server', buildServer);
    await step(demo ? 'server, tables and demo club' : 'server and tables', () => {
      const env = {
        ...process.env,
        DATABASE_URL: external ?? cluster.url,
        PORT: String(port),
        WEB_ROOT: path.join(ROOT, 'apps/web/dist'),
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
        // The demo's password is public, so it only ever goes into our own database on loopback.
        UPWELL_DEMO: demo ? '1' : '0',
        ...(demo ? { HOST: '127.0.0.1' } : {}),
      };
      // Its own process group: Ctrl-C reaches this script only, which then stops everything in order.
      server = spawn(process.execPath, ['dist/main.mjs'], {
        cwd: path.join(ROOT, 'apps/server'),
        env,
        // The channel closes when this script is killed the hard way: then the server leaves too.
        stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
        detached: true,
      });
      return new Promise((resolve, reject) => {
        server.stdout.on('data', (data) => {
          code = /setup code (\S+)/.exec(String(data))?.[1] ?? code;
          if (String(data).includes('listening on')) resolve('');
          // The server's log, for the operator: errors and refusals, one line of JSON each.
          else process.stdout.write(data);
        });
        server.once('exit', (code, signal) =>
          reject(new Advice(`The server ended (${code ?? signal}). What it said is above.`)),
        );
      });
    });
  } catch (error) {
    await stop();
    throw error;
  }
  server.on('exit', (code, signal) => {
    if (stopping) return;
    console.error(
      `The server ended unexpectedly (${code ?? signal}). Start again with npm start; what was stored is safe.`,
    );
    void stop().then(() => process.exit(1));
  });

  if (cluster) keepAlive(cluster, () => stopping);
  console.log(`\n  Upwell is open at  http://127.0.0.1:${port}`);
  if (code) {
    console.log('  No club is here yet. Begin one there with this code, which works once:');
    console.log(`  ${code}`);
  }
  if (demo) console.log('  Demo sign-in       head@upwell.example · quiet-water-demo');
  console.log('  Stop with Ctrl-C\n');
}

/** How often it is looked whether the database still runs, milliseconds. */
const LOOK_MS = 3000;

/** Starts the database again when it has ended; the server waits for it and finds it on its port. */
function keepAlive(cluster, over) {
  const look = async () => {
    if (over()) return;
    try {
      if (await cluster.revive())
        console.error('The database had ended and was started again; what was stored is safe.');
    } catch (error) {
      console.error(error.message);
    }
    setTimeout(look, LOOK_MS).unref();
  };
  setTimeout(look, LOOK_MS).unref();
}

main().catch(fail);
