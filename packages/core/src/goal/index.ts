export * from './blockPlan';
export * from './raceGap';
export * from './readiness';
