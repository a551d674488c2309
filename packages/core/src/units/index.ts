export * from './distance';
export * from './time';
