export * from './clipCsv';
export * from './webvtt';
