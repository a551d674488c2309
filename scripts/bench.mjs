// Measures speed on this machine, each number beside a reference from the same run.
// `npm run bench -- causes` runs one: causes, build, bundle, swimmers.
import { spawnSync } from 'node:child_process';
import { installPostgres, startCluster } from './lib/postgres.mjs';
import { Advice, checkNode, fail, installPackages, ROOT } from './lib/steps.mjs';

const BENCHES = ['causes', 'build', 'swimmers', 'bundle'];
const asked = process.argv.slice(2);

async function main() {
  const unknown = asked.filter((name) => !BENCHES.includes(name));
  if (unknown.length > 0) throw new Advice(`There is no bench ${unknown.join(', ')}. There are ${BENCHES.join(', ')}.`);
  checkNode();
  await installPackages();
  for (const name of asked.length > 0 ? asked : BENCHES) {
    console.log(`\n${name}`);
    let env = { ...process.env, LOG_LEVEL: 'error' };
    let cluster = null;
    if (name === 'swimmers') {
      await installPostgres();
      cluster = await startCluster('bench', 'upwell_bench');
      await cluster.recreate();
      env = { ...env, DATABASE_URL: cluster.url };
    }
    const { status } = spawnSync(process.execPath, ['--import', 'tsx', `bench/${name}.ts`], {
      cwd: ROOT,
      stdio: 'inherit',
      env,
    });
    if (cluster) await cluster.stop();
    if (status !== 0) process.exitCode = 1;
  }
}

main().catch(fail);
