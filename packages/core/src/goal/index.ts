export * from './blockPlan';
export * from './raceGap';
export * from './racePlan';
export * from './readiness';
