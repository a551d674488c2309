export * from './raceGap';
