export * from './assumed';
export * from './blockPlan';
export * from './facts';
export * from './known';
export * from './outlook';
export * from './raceGap';
export * from './racePlan';
export * from './readiness';
export { chosenTrials } from './trials';
