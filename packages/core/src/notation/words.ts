import type { BlockKind, SwimStroke } from '../sessions';

/** Efforts by word; a percentage says the same. */
export const EFFORT_BY_WORD: Readonly<Record<string, number>> = {
  easy: 0.6,
  relaxed: 0.7,
  steady: 0.8,
  strong: 0.9,
  'all-out': 1,
};

export const STROKE_BY_WORD: Readonly<Record<string, SwimStroke>> = {
  crawl: 'front-crawl',
  backstroke: 'backstroke',
  back: 'backstroke',
  breaststroke: 'breaststroke',
  breast: 'breaststroke',
  butterfly: 'butterfly',
  fly: 'butterfly',
  medley: 'medley',
  im: 'medley',
  kick: 'kick',
  pull: 'front-crawl',
  choice: 'choice',
};

export const BLOCK_BY_WORD: Readonly<Record<string, BlockKind>> = {
  land: 'land',
  'warm-up': 'warm-up',
  'warm up': 'warm-up',
  warmup: 'warm-up',
  drills: 'drills',
  main: 'main',
  speed: 'speed',
  'swim-down': 'swim-down',
  'swim down': 'swim-down',
  'cool-down': 'swim-down',
  'cool down': 'swim-down',
};

/** Facts of the whole session that stand on a line of their own: `pool: 25 m`. */
export const PLAN_KEYS = ['when', 'theme', 'kind', 'pool', 'loop', 'minutes', 'seed'] as const;

/** Facts of a group. */
export const GROUP_KEYS = ['level', 'model', 'who', 'pace', 'paces', 'strokes', 'knows', 'lifeguard'] as const;

export const KEYS = [...PLAN_KEYS, ...GROUP_KEYS] as const;
export type Key = (typeof KEYS)[number];

/** Every word of a set line, for the suggestion after a slip of the finger. */
export const SET_WORDS: readonly string[] = [
  ...Object.keys(EFFORT_BY_WORD),
  ...Object.keys(STROKE_BY_WORD),
  'drill',
  'breathe',
  'breaths',
  'look',
  'rate',
  'rest',
  'with',
  'halves',
  'descend',
  'left',
  'right',
  'loops',
  'min',
];
