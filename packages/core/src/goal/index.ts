export * from './blockPlan';
export * from './raceGap';
