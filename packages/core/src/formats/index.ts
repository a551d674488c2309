export * from './clipCsv';
export * from './webvtt';
export * from './gpx';
export * from './resultsCsv';
export * from './wristDevice';
