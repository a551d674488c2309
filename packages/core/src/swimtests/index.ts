export * from './cards';
export * from './outcome';
