export * from './causes';
export * from './leadsTo';
export * from './links';
export * from './signs';
