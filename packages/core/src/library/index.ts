export * from './disagreements';
export * from './dose';
export * from './drills';
export * from './kit';
export * from './ladders';
export * from './ownDrill';
export * from './types';
export * from './search';
