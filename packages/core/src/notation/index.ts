export { CSV_COLUMNS, readSessionCsv, writeSessionCsv } from './csv';
export { readSessionJson } from './json';
export * from './positionIds';
export * from './problem';
export { readSession, type ReadSession } from './read';
export { readSets, type ReadSets } from './readSets';
export { writeSession, writeSet, type SessionDocument } from './write';
