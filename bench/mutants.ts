import { Stryker } from '@stryker-mutator/core';
import { availableParallelism } from 'node:os';
import path from 'node:path';
import { MODULES } from './mutantModules';

/**
 * How many wrong edits the tests of the core notice: each module is changed in small ways, one at a time, and the tests of
 * its domain are run. `npm run bench -- mutants` takes all of them; `MUTANTS=waterTime,lanes` some.
 */
const asked = (process.env.MUTANTS ?? '').split(',').filter(Boolean);
const chosen = MODULES.filter(
  ({ files }) => asked.length === 0 || asked.some((name) => files.some((file) => file.includes(name))),
);
const rows: Record<string, string | number>[] = [];
for (const { files, tests, least } of chosen) {
  process.env.MUTANT_TESTS = tests.join(',');
  const stryker = new Stryker({
    mutate: files.map((file) => `packages/core/src/${file}.ts`),
    testRunner: 'jest',
    jest: { projectType: 'custom', configFile: 'bench/mutants.jest.cjs', enableFindRelatedTests: false },
    coverageAnalysis: 'perTest',
    reporters: [],
    concurrency: availableParallelism(),
    timeoutMS: 10_000,
    tempDirName: '.cache/stryker',
    ignorePatterns: ['.data', 'apps', 'docs', 'e2e', '.cache', 'test-results'],
    // A sentence that reads differently is no wrong edit of a rule.
    mutator: { excludedMutations: ['StringLiteral'] },
    allowConsoleColors: false,
    logLevel: 'error' as never,
  });
  const started = performance.now();
  const results = await stryker.runMutationTest();
  const of = (...status: string[]) => results.filter((r) => status.includes(r.status)).length;
  const [killed, survived] = [of('Killed', 'Timeout'), of('Survived', 'NoCoverage')];
  const share = Math.round((killed / Math.max(1, killed + survived)) * 100);
  rows.push({
    files: files.join(', '),
    mutants: results.length,
    killed,
    survived,
    'killed %': share,
    least,
    s: Math.round((performance.now() - started) / 1000),
  });
  for (const { fileName, status, location, replacement } of results)
    if (status === 'Survived' || status === 'NoCoverage')
      console.log(
        `  ${path.basename(fileName, '.ts')}:${location.start.line}:${location.start.column} ${status}: ${(replacement ?? '').replace(/\s+/g, ' ').slice(0, 90)}`,
      );
}
console.table(rows);
if (rows.some((row) => Number(row['killed %']) < Number(row.least))) process.exitCode = 1;
