export * from './assumed';
export * from './blockPlan';
export { weekOf } from './days';
export * from './facts';
export * from './outlook';
export * from './raceGap';
export * from './racePlan';
export * from './readiness';
export { chosenTrials } from './trials';
