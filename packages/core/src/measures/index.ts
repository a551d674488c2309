export * from './breathing';
export * from './criticalSpeed';
export * from './effortPace';
export * from './lengthMetrics';
export * from './load';
export * from './raceTime';
