// Everything that must hold: types, lint, unit tests, the server on a real PostgreSQL, journeys in a browser.
// `npm test -- core` runs a part: types, lint, core, deep, foreign, server, web, e2e. `npm test -- quick` is for the minute before a
// commit: types, and the unit tests of what changed.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { changedFiles, lastSeconds, listTests, nearTests, rememberSeconds, typedParts } from './lib/changed.mjs';
import { installPostgres, startCluster } from './lib/postgres.mjs';
import {
  Advice,
  buildServer,
  buildWeb,
  checkNode,
  fail,
  installChromium,
  installHeadless,
  installForeign,
  installNginx,
  installPackages,
  ROOT,
  step,
} from './lib/steps.mjs';

const PARTS = ['types', 'lint', 'core', 'deep', 'foreign', 'server', 'web', 'e2e', 'quick'];
const asked = process.argv.slice(2);
const unknown = asked.filter((part) => !PARTS.includes(part));
/** Deep is core on more cases, another seed every day: it looks for what nobody has seen yet, and is asked for by name. */
const WHOLE = PARTS.filter((part) => part !== 'deep' && part !== 'quick');
const parts = asked.length > 0 ? PARTS.filter((part) => asked.includes(part)) : WHOLE;
/** Tests need no more of a machine than its cores. Those of the server share a database, each in clubs of its own. */
const EVERY_CORE = '--maxWorkers=100%';
const cache = path.join(ROOT, '.cache');

/** Runs a command with its output shown; answers its exit code. */
function show(command, args, env = {}) {
  console.log(`\n> ${command} ${args.join(' ')}`);
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } });
    child.on('error', reject);
    child.on('exit', (code) => resolve(code ?? 1));
  });
}

const npx = (args, env) => show('npx', ['--no-install', ...args], env);

async function jest(projects, env, args = []) {
  const file = path.join(cache, `jest-${projects.join('-')}.json`);
  rmSync(file, { force: true });
  const code = await npx(
    ['jest', '--selectProjects', ...projects, '--json', `--outputFile=${file}`, '--silent=false', ...args],
    env,
  );
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const report = JSON.parse(readFileSync(file, 'utf8'));
  const { numPassedTests, numFailedTests, numFailedTestSuites } = report;
  if (process.env.TEST_DEPTH === undefined && env.TEST_DEPTH === undefined) rememberSeconds(report.testResults);
  const failures = report.testResults
    .filter(({ status }) => status === 'failed')
    .map(({ name, message }) => `${path.relative(ROOT, name)}\n${message}`);
  // A file that does not even load fails without failing a test.
  return {
    passed: numPassedTests,
    failed: Math.max(numFailedTests, numFailedTestSuites, code === 0 ? 0 : 1),
    failures: failures.length > 0 || code === 0 ? failures : [`jest ended with ${code} though no test failed`],
  };
}

/** The sizes that journeys are made in, each beside the other in a club of its own: their order within one is kept. */
const SIZES = ['phone', 'wide'];

/** Journeys before a camera that plays in real time: a machine that does something else drops its pictures. */
const ALONE = '@alone';

async function journeys(name, args, cluster) {
  const file = path.join(cache, `e2e-${name}.json`);
  rmSync(file, { force: true });
  const code = await npx(['playwright', 'test', ...args, `--output=.cache/e2e-${name}`], {
    DATABASE_URL: await cluster.beside(`upwell_test_${name}`),
    PLAYWRIGHT_JSON_OUTPUT_FILE: file,
  });
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { expected, unexpected, flaky } = JSON.parse(readFileSync(file, 'utf8')).stats;
  return { passed: expected, failed: Math.max(unexpected + flaky, code === 0 ? 0 : 1) };
}

/** More cases for each property, and another seed every day. */
function deepEnv() {
  const seed = process.env.PROPERTY_SEED ?? new Date().toISOString().slice(0, 10).replaceAll('-', '');
  console.log(`Properties are tried in depth; PROPERTY_SEED=${seed} repeats this run.`);
  return { TEST_DEPTH: 'deep', PROPERTY_SEED: seed };
}

/** Types, and beside them as many unit tests about what changed as half a minute holds; the others are counted. */
async function quick() {
  const changed = changedFiles();
  const related = listTests(changed);
  const near = nearTests(changed, related, lastSeconds());
  console.log(`${changed.length} changed files; ${near.length} of ${related.length} test files about them are run.`);
  const typed = typedParts(changed);
  const types = typed.length > 0 ? show('node', ['scripts/typecheck.mjs', ...typed]) : 0;
  const none = { passed: 0, failed: 0 };
  const tests =
    near.length > 0 ? await jest(['core', 'web'], {}, ['--runTestsByPath', ...near, '--maxWorkers=1']) : none;
  return { ...tests, passed: tests.passed + 1, failed: tests.failed + ((await types) === 0 ? 0 : 1) };
}

const once = async (args) =>
  (await show('npm', ['run', '--silent', ...args])) === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };

async function main() {
  if (unknown.length > 0)
    throw new Advice(`There is no part ${unknown.join(', ')}. The parts are ${PARTS.join(', ')}.`);
  console.log('Preparing the tests');
  checkNode();
  mkdirSync(cache, { recursive: true });
  await step('npm packages', installPackages);
  const wantsDatabase = parts.includes('server') || parts.includes('e2e');
  let cluster = null;
  if (wantsDatabase) {
    await step('PostgreSQL server', installPostgres);
    await step('test database', async () => {
      // Its own cluster, so that the tests run while npm start runs.
      cluster = await startCluster('test', 'upwell_test');
      await cluster.recreate();
      return cluster.folder;
    });
  }
  const results = [];
  try {
    if (parts.includes('server')) await step('nginx', installNginx);
    if (parts.includes('foreign')) await step('programs of others', installForeign);
    if (parts.includes('e2e')) await step('Chromium', () => installChromium().then(installHeadless));
    // Each of the two keeps one core busy.
    const checks = ['types', 'lint'].filter((part) => parts.includes(part));
    const ended = await Promise.all(checks.map((part) => once([part === 'types' ? 'typecheck' : part])));
    results.push(...checks.map((part, at) => [part, ended[at]]));
    if (parts.includes('quick')) results.push(['quick', await quick()]);
    const deep = parts.includes('deep');
    const units = [...(deep || parts.includes('core') ? ['core'] : []), ...(parts.includes('web') ? ['web'] : [])];
    if (units.length > 0) results.push([units.join(' and '), await jest(units, deep ? deepEnv() : {}, [EVERY_CORE])]);
    const env = cluster ? { DATABASE_URL: cluster.url } : {};
    if (parts.includes('server')) results.push(['server', await jest(['server'], env, [EVERY_CORE])]);
    // Programs of others are waited for, while the web app is built.
    const [foreign] = await Promise.all([
      parts.includes('foreign') ? jest(['foreign'], {}) : null,
      parts.includes('e2e') ? step('web app and server', () => Promise.all([buildWeb(), buildServer()])) : null,
    ]);
    if (foreign) results.push(['foreign', foreign]);
    if (parts.includes('e2e')) {
      const beside = (size) => journeys(size, [`--project=${size}`, `--grep-invert=${ALONE}`], cluster);
      const both = await Promise.all(SIZES.map(beside));
      results.push(...SIZES.map((size, at) => [`e2e ${size}`, both[at]]));
      results.push(['e2e alone', await journeys('alone', [`--grep=${ALONE}`], cluster)]);
    }
  } finally {
    if (cluster) await cluster.stop();
  }
  // What failed stands at the end, where it is found without reading everything.
  for (const [, { failures = [] }] of results)
    for (const failure of failures) console.log(`\n${failure.slice(0, 4000)}`);
  console.log('');
  for (const [name, { passed, failed }] of results)
    console.log(`${name.padEnd(14)} ${passed} passed, ${failed} failed`);
  const sum = (key) => results.reduce((total, [, result]) => total + result[key], 0);
  console.log(`${sum('passed')} passed, ${sum('failed')} failed`);
  process.exitCode = sum('failed') === 0 && sum('passed') > 0 ? 0 : 1;
}

main().catch(fail);
