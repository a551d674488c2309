export * from './armCycle';
export * from './frontView';
export * from './parameters';
export * from './regions';
export * from './shapes';
export * from './sideView';
export * from './signPoses';
