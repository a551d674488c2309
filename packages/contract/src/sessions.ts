// What crosses the wire of sessions: stored ones, the builder's, files, load and calendars.
export * from './sessions/session';
export * from './sessions/fieldsOf';
export * from './sessions/series';
export * from './sessions/build';
export * from './sessions/files';
export * from './sessions/load';
export * from './sessions/calendar';
