// What files hold and how it is told, without what reads them: light enough for the first screen.
export * from './results';
export * from './roster';
export * from './trackKind';
