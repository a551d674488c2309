export * from './aim';
export * from './course';
export * from './courseFiles';
export * from './plane';
export * from './sides';
export * from './sighting';
export * from './simulate';
