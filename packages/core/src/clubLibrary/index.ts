export * from './compare';
export * from './entries';
export * from './problems';
