import type { BlockKind } from './model';

/** Share of the metres that each block may take. */
export const SHARE_BAND: Readonly<Record<Exclude<BlockKind, 'land'>, readonly [low: number, high: number]>> = {
  'warm-up': [0.1, 0.2],
  drills: [0.15, 0.45],
  main: [0.3, 0.6],
  speed: [0, 0.15],
  'swim-down': [0.07, 0.17],
};

/** All groups end inside this window before the hour, so they finish within a minute of each other. */
export const FINISH_WINDOW_S = 55;
