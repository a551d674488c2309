export * from './angle';
export * from './distance';
export * from './time';
export * from './seeded';
