export * from './gpx';
export * from './planCsv';
export * from './resultsCsv';
export * from './rosterCsv';
export { guessRoster } from './rosterHeadings';
export * from './shapes';
export * from './trackFile';
export * from './wristDevice';
export * from './xml';
