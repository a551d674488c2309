export * from './disagreements';
export * from './drills';
export * from './kit';
export * from './ladders';
export type * from './types';
