export * from './cards';
export * from './outcome';
export * from './together';
