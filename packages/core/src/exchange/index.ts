export * from './gpx';
export * from './planCsv';
export * from './resultsCsv';
export * from './rosterCsv';
export * from './trackFile';
export * from './wristDevice';
