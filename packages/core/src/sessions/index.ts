// What a plan is, measured, checked and changed.
export * from './plan/model';
export * from './plan/shares';
export * from './plan/strokePace';
export * from './plan/setMeasure';
export * from './plan/size';
export * from './plan/leaving';
export * from './plan/clock';
export * from './plan/totals';
export * from './plan/describe';
export * from './plan/looks';
export * from './plan/weakSide';
export * from './plan/prescription';
export * from './plan/edit';
export * from './plan/parts';
export * from './plan/several';
export * from './plan/comparePlans';
export * from './plan/breathPattern';
export * from './plan/breathPlaces';
export * from './plan/fewBreaths';
export * from './plan/drillPlace';
export * from './plan/cautions';
export * from './plan/checkPlan';

// What the sessions of a series have in common.
export * from './series/bringAlong';

// How much a week holds.
export * from './load/loadLimit';
export * from './load/loadSummary';

// Who comes, and what would serve them.
export type * from './request/model';
export * from './request/ownShares';
export * from './request/proposeGroups';
export * from './request/serves';

// How a block can be filled.
export { BEFORE_MAIN_S, FULL_REST, MOST_REPEATS, MOST_ROUNDS, RECIPE, REST_PER_100 } from './fill/recipe';
export { SHAPES, type Shape } from './fill/shapes';
export * from './fill/chooseDrills';
export * from './fill/drillDose';
export { commonSets } from './fill/tray';
export * from './fill/drillList';
export { byTheClock } from './fill/beginners';

// What two coaches change at the same time.
export { pick, pickFields, pickSet, same, type Three } from './together/threeWays';
export * from './together/keepIds';
export * from './together/mergePlans';
export * from './together/mergeTonight';

// One session for all groups together.
export * from './build/buildSession';

// Who swims in which lane, and when they leave.
export * from './lanes/assignLanes';
export * from './lanes/catches';
export * from './lanes/proposeLane';
export * from './lanes/laneSheets';
export * from './lanes/tonight';
