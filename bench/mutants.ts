import { Stryker } from '@stryker-mutator/core';
import { availableParallelism } from 'node:os';

/**
 * How many wrong edits the tests of the core notice: each module is changed in small ways, one at a time, and the tests of
 * its domain are run. `npm run bench -- mutants` takes all of them; `MUTANTS=waterTime,lanes` some.
 */
interface Module {
  /** The files under packages/core/src, without ending; a glob. */
  readonly file: string;
  /** Test files under packages/core/src that must notice. */
  readonly tests: readonly string[];
  /** Least share killed, %. */
  readonly least: number;
}

const MODULES: readonly Module[] = [
  { file: 'safety/waterTime', tests: ['safety/*.test.ts', 'water/day/decidePinned.test.ts'], least: 85 },
  { file: 'safety/ageDistance', tests: ['safety/*.test.ts'], least: 85 },
  { file: 'safety/air', tests: ['safety/*.test.ts', 'water/day/decidePinned.test.ts'], least: 85 },
  { file: 'safety/overrule', tests: ['safety/*.test.ts'], least: 85 },
  { file: 'safety/fewBreaths', tests: ['sessions/plan/fewBreaths*.test.ts'], least: 85 },
  { file: 'sessions/plan/fewBreaths', tests: ['sessions/plan/fewBreaths*.test.ts'], least: 85 },
  { file: 'sessions/plan/breathPlaces', tests: ['sessions/plan/fewBreaths*.test.ts'], least: 80 },
  { file: 'sessions/plan/drillPlace', tests: ['sessions/plan/drillPlace.test.ts'], least: 80 },
  { file: 'review/chooseFocus', tests: ['review/chooseFocus.test.ts', 'review/review.test.ts'], least: 80 },
  { file: 'review/inferCauses', tests: ['review/inferPinned.test.ts'], least: 80 },
  { file: 'review/noisyOr', tests: ['review/inferPinned.test.ts', 'review/review.test.ts'], least: 80 },
  { file: 'review/experience', tests: ['review/experience.test.ts'], least: 80 },
  { file: 'library/climb', tests: ['library/climb.test.ts'], least: 80 },
  { file: 'goal/{blockPlan,weekLoads}', tests: ['goal/shares.test.ts', 'goal/blockPlanPinned.test.ts'], least: 80 },
  { file: 'goal/raceGap', tests: ['goal/raceGapPinned.test.ts'], least: 80 },
  {
    file: 'sessions/lanes/{catches,proposeLane,assignLanes,laneSheets}',
    tests: ['sessions/lanes/*.test.ts'],
    least: 80,
  },
  { file: 'sessions/plan/leaving', tests: ['sessions/plan/leaving.test.ts'], least: 80 },
  { file: 'sessions/build/{buildSession,search,price}', tests: ['sessions/build/builderPinned.test.ts'], least: 80 },
  { file: 'water/day/decide', tests: ['water/day/decide*.test.ts'], least: 80 },
  {
    file: 'water/track/{cleanTrack,passings,measureTrack,driftBetweenLooks}',
    tests: ['water/track/trackPinned.test.ts'],
    least: 80,
  },
  { file: 'measures/criticalSpeed', tests: ['measures/measures.test.ts', 'measures/nearCritical.test.ts'], least: 80 },
];

const asked = (process.env.MUTANTS ?? '').split(',').filter(Boolean);
const chosen = MODULES.filter(({ file }) => asked.length === 0 || asked.some((name) => file.includes(name)));
const rows: Record<string, string | number>[] = [];
for (const { file, tests, least } of chosen) {
  process.env.MUTANT_TESTS = tests.join(',');
  const stryker = new Stryker({
    mutate: [`packages/core/src/${file}.ts`],
    testRunner: 'jest',
    jest: { projectType: 'custom', configFile: 'bench/mutants.jest.cjs', enableFindRelatedTests: false },
    coverageAnalysis: 'perTest',
    reporters: [],
    concurrency: availableParallelism(),
    timeoutMS: 10_000,
    tempDirName: '.cache/stryker',
    ignorePatterns: ['apps', 'docs', 'e2e', '.cache', 'test-results'],
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
    file,
    mutants: results.length,
    killed,
    survived,
    'killed %': share,
    least,
    s: Math.round((performance.now() - started) / 1000),
  });
  for (const { status, location, replacement } of results)
    if (status === 'Survived' || status === 'NoCoverage')
      console.log(
        `  ${file}:${location.start.line}:${location.start.column} ${status}: ${(replacement ?? '').replace(/\s+/g, ' ').slice(0, 90)}`,
      );
}
console.table(rows);
if (rows.some((row) => Number(row['killed %']) < Number(row.least))) process.exitCode = 1;
