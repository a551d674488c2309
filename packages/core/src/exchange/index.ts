export * from './gpx';
export * from './planCsv';
export * from './resultsCsv';
export * from './trackFile';
export * from './wristDevice';
