export * from './gpx';
export * from './resultsCsv';
export * from './trackFile';
export * from './wristDevice';
