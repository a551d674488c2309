// Which rules of the core are changed on purpose, the tests that must notice, and how many of the changes.

export interface Module {
  /** Under packages/core/src, without ending. */
  readonly files: readonly string[];
  /** Test files under packages/core/src that must notice; `*` stands for anything in a name. */
  readonly tests: readonly string[];
  /** Least share killed, %. */
  readonly least: number;
}

export const MODULES: readonly Module[] = [
  { files: ['safety/waterTime'], tests: ['safety/*.test.ts', 'water/day/decidePinned.test.ts'], least: 85 },
  { files: ['safety/ageDistance'], tests: ['safety/*.test.ts'], least: 85 },
  { files: ['safety/air'], tests: ['safety/*.test.ts', 'water/day/decidePinned.test.ts'], least: 85 },
  { files: ['safety/overrule'], tests: ['safety/*.test.ts'], least: 85 },
  { files: ['safety/fewBreaths'], tests: ['sessions/plan/fewBreaths*.test.ts'], least: 85 },
  { files: ['sessions/plan/fewBreaths'], tests: ['sessions/plan/fewBreaths*.test.ts'], least: 85 },
  { files: ['sessions/plan/breathPlaces'], tests: ['sessions/plan/fewBreaths*.test.ts'], least: 80 },
  { files: ['sessions/plan/drillPlace'], tests: ['sessions/plan/drillPlace.test.ts'], least: 80 },
  { files: ['review/chooseFocus'], tests: ['review/chooseFocus.test.ts', 'review/review.test.ts'], least: 80 },
  { files: ['review/inferCauses'], tests: ['review/inferPinned.test.ts'], least: 80 },
  { files: ['review/noisyOr'], tests: ['review/inferPinned.test.ts', 'review/review.test.ts'], least: 80 },
  { files: ['review/experience'], tests: ['review/experience.test.ts'], least: 80 },
  { files: ['library/climb'], tests: ['library/climb.test.ts'], least: 80 },
  {
    files: ['race/blockPlan', 'race/weekLoads'],
    tests: ['race/shares.test.ts', 'race/blockPlanPinned.test.ts'],
    least: 80,
  },
  { files: ['race/raceGap'], tests: ['race/raceGapPinned.test.ts'], least: 80 },
  {
    files: [
      'sessions/lanes/catches',
      'sessions/lanes/proposeLane',
      'sessions/lanes/assignLanes',
      'sessions/lanes/laneSheets',
    ],
    tests: ['sessions/lanes/*.test.ts'],
    least: 80,
  },
  { files: ['sessions/plan/leaving'], tests: ['sessions/plan/leaving.test.ts'], least: 80 },
  {
    files: ['sessions/build/buildSession', 'sessions/build/search', 'sessions/build/price'],
    tests: ['sessions/build/builderPinned.test.ts'],
    least: 80,
  },
  { files: ['water/day/decide'], tests: ['water/day/decide*.test.ts'], least: 80 },
  {
    files: [
      'water/track/cleanTrack',
      'water/track/passings',
      'water/track/measureTrack',
      'water/track/driftBetweenLooks',
    ],
    tests: ['water/track/trackPinned.test.ts'],
    least: 80,
  },
  {
    files: ['measures/criticalSpeed'],
    tests: ['measures/measures.test.ts', 'measures/nearCritical.test.ts'],
    least: 80,
  },
];
