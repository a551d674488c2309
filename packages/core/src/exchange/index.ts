export * from './gpx';
export * from './planCsv';
export * from './results';
export * from './resultsCsv';
export * from './rosterCsv';
export { guessRoster, ROSTER_FIELDS, type RosterColumn, type RosterField } from './rosterHeadings';
export * from './trackFile';
export * from './wristDevice';
