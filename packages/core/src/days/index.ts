export * from './calendar';
export * from './zones';
