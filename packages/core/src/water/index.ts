export * from './aim';
export * from './course';
export * from './courseFiles';
export * from './legPlan';
export * from './plane';
export * from './sides';
export * from './sighting';
export * from './simulate';
