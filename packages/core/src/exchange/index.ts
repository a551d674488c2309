export * from './gpx';
export * from './resultsCsv';
export * from './wristDevice';
