export * from './drills';
export * from './kit';
export type * from './types';
