// Measures speed on this machine, each number beside a reference from the same run.
// `npm run bench -- causes` runs one: causes, build, sighting, swimmers, growth, figure, clip, find, film, deck, pages, water, race, live, siege, orm, bundle.
// `npm run bench -- mutants` takes its time and is run only when it is asked for.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { installPostgres, startCluster } from './lib/postgres.mjs';
import {
  Advice,
  buildServer,
  buildWeb,
  checkNode,
  fail,
  installChromium,
  installDebian,
  installPackages,
  ROOT,
} from './lib/steps.mjs';

const BENCHES = [
  'causes',
  'build',
  'sighting',
  'swimmers',
  'growth',
  'figure',
  'clip',
  'find',
  'film',
  'deck',
  'pages',
  'water',
  'race',
  'live',
  'siege',
  'orm',
  'bundle',
];
/** How many wrong edits of the core its tests notice: an hour, and no matter of speed. */
const SLOW = ['mutants'];
/** Those that ask a server, and those of them that look through a browser. */
const ON_SERVER = [
  'swimmers',
  'growth',
  'figure',
  'clip',
  'film',
  'deck',
  'pages',
  'water',
  'race',
  'live',
  'siege',
  'orm',
];
const IN_BROWSER = ['figure', 'clip', 'film', 'deck', 'pages', 'water', 'race', 'bundle'];
const asked = process.argv.slice(2);
let stopped = false;

async function main() {
  const known = [...BENCHES, ...SLOW];
  const unknown = asked.filter((name) => !known.includes(name));
  if (unknown.length > 0) throw new Advice(`There is no bench ${unknown.join(', ')}. There are ${known.join(', ')}.`);
  checkNode();
  await installPackages();
  for (const name of asked.length > 0 ? asked : BENCHES) {
    console.log(`\n${name}`);
    let env = { ...process.env, LOG_LEVEL: 'error' };
    let cluster = null;
    if (['clip', 'film'].includes(name) && !existsSync('/usr/bin/ffmpeg'))
      await installDebian('ffmpeg', 'ffmpeg, to make a long clip');
    if (IN_BROWSER.includes(name)) {
      await installChromium();
      await buildWeb();
    }
    if (ON_SERVER.includes(name)) {
      await buildServer();
      await installPostgres();
      cluster = await startCluster('bench', 'upwell_bench');
      await cluster.recreate();
      env = { ...env, DATABASE_URL: cluster.url };
    }
    const code = await measured(name, env).finally(() => cluster?.stop());
    if (code !== 0) process.exitCode = 1;
    if (stopped) return;
  }
}

/** Runs one bench to its end, or until somebody has had enough: either way nothing of it keeps running. */
function measured(name, env) {
  const args = ['--import', 'tsx', `bench/${name}.ts`];
  // A group of its own: what the bench has started ends with it.
  const child = spawn(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env, detached: true });
  const stop = (signal) => {
    stopped = true;
    process.kill(-child.pid, signal);
  };
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, stop);
  return new Promise((resolve, reject) => {
    child.on('error', reject);
    child.on('exit', (code) => {
      for (const signal of ['SIGINT', 'SIGTERM']) process.off(signal, stop);
      resolve(code ?? 1);
    });
  });
}

main().catch(fail);
