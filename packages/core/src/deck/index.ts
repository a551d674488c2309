export * from './beeper';
export * from './deckClock';
export * from './done';
export * from './evaluate';
export * from './forecast';
export * from './model';
export * from './records';
export * from './setup';
