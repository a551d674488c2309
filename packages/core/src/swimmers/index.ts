export * from './age';
export * from './levels';
export * from './models';
export * from './health';
export * from './raceNear';
