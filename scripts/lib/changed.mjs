// What changed since the last commit, and which unit tests are about it.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ROOT } from './steps.mjs';

const git = (...args) =>
  execFileSync('git', args, { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter((file) => /\.tsx?$/.test(file));

/** Source files that are not committed yet; when there are none, those of the last commit. */
export function changedFiles() {
  const open = [
    ...git('diff', '--name-only', '--diff-filter=d', 'HEAD'),
    ...git('ls-files', '-o', '--exclude-standard'),
  ];
  return open.length > 0 ? open : git('diff', '--name-only', '--diff-filter=d', 'HEAD~1', 'HEAD');
}

/** Which parts build on a part, itself first; journeys and benches are left to the whole run. */
const BUILD_ON = {
  'packages/core': ['packages/core', 'packages/contract', 'apps/server', 'apps/web'],
  'packages/contract': ['packages/contract', 'apps/server', 'apps/web'],
  'apps/server': ['apps/server'],
  'apps/web': ['apps/web'],
  e2e: ['e2e'],
  bench: ['bench'],
};

/** The parts whose types a change can break. */
export const typedParts = (files) => [
  ...new Set(Object.entries(BUILD_ON).flatMap(([part, on]) => (files.some((f) => f.startsWith(part)) ? on : []))),
];

/** The unit tests that import any of the files, over however many others. */
export function listTests(files) {
  if (files.length === 0) return [];
  const args = [
    '--no-install',
    'jest',
    '--selectProjects',
    'core',
    'web',
    '--listTests',
    '--findRelatedTests',
    ...files,
  ];
  return execFileSync('npx', args, { cwd: ROOT, encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] })
    .split('\n')
    .filter((file) => file.startsWith(ROOT))
    .map((file) => path.relative(ROOT, file));
}

/** The domain a file belongs to, by its folder or its name: `sessions` for core/src/sessions/lanes/x.ts. */
function domainOf(file) {
  const [, inFolder] = /^(?:packages|apps)\/[^/]+\/src\/([^/]+)\//.exec(file) ?? [];
  return inFolder ?? path.basename(file).split('.')[0];
}

/** Seconds of test files that a quick run may take, and what one is reckoned at before it was ever run. */
const BUDGET_S = 30;
const UNKNOWN_S = 2;

/**
 * Of the related tests as many as the budget holds: first those of a domain that changed, the short ones before the
 * long.
 *
 * @param {Record<string, number>} seconds what each took when it was run last
 */
export function nearTests(changed, related, seconds) {
  const domains = new Set(changed.map(domainOf));
  const far = (test) => (changed.includes(test) ? 0 : domains.has(domainOf(test)) ? 1 : 2);
  const cost = (test) => seconds[test] ?? UNKNOWN_S;
  const ordered = [...related].sort((a, b) => far(a) - far(b) || cost(a) - cost(b));
  let left = BUDGET_S;
  return ordered.filter((test) => {
    left -= cost(test);
    return left >= 0;
  });
}

const TIMES = path.join(ROOT, '.cache', 'test-seconds.json');

/** Seconds of each test file when it was run last on this machine. */
export const lastSeconds = () => (existsSync(TIMES) ? JSON.parse(readFileSync(TIMES, 'utf8')) : {});

/** Remembers what the test files of a report of Jest took. */
export function rememberSeconds(testResults) {
  const now = testResults.map(({ name, startTime, endTime }) => [
    path.relative(ROOT, name),
    (endTime - startTime) / 1000,
  ]);
  writeFileSync(TIMES, JSON.stringify({ ...lastSeconds(), ...Object.fromEntries(now) }, null, 1));
}
