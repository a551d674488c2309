import { own } from '../own';
/** The four levels of a club, from first metres to racing. */
export const LEVELS = ['settle', 'build', 'hold', 'race'] as const;
export type LevelId = (typeof LEVELS)[number];

export interface Level {
  readonly name: string;
  /** Who belongs here, as a coach says it. */
  readonly who: string;
  /** Metres of a 60-minute session, low and high. */
  readonly metresPerHour: readonly [low: number, high: number];
  /** Speed over about 400 m when no test is known, m/s. A guess, and shown as one. */
  readonly defaultV400Mps: number;
  /** Metres per hand entry when nothing was counted. A guess, and shown as one. */
  readonly defaultStrokeLengthM: number;
}

export const LEVEL: Readonly<Record<LevelId, Level>> = {
  settle: {
    name: 'Settle',
    who: 'not yet 50 m without stopping; water confidence first',
    metresPerHour: [100, 600],
    defaultV400Mps: 0.55,
    defaultStrokeLengthM: 0.6,
  },
  build: {
    name: 'Build',
    who: '100–400 m without stopping, finding technique',
    metresPerHour: [1200, 2000],
    defaultV400Mps: 0.83,
    defaultStrokeLengthM: 0.75,
  },
  hold: {
    name: 'Hold',
    who: 'steady trainers who know the drills',
    metresPerHour: [1800, 2600],
    defaultV400Mps: 1.02,
    defaultStrokeLengthM: 0.9,
  },
  race: {
    name: 'Race',
    who: 'trains three times a week or more, and races',
    metresPerHour: [2400, 3600],
    defaultV400Mps: 1.25,
    defaultStrokeLengthM: 1.05,
  },
};

/** Whether `level` is at or above `least` in the order Settle, Build, Hold, Race. */
export function isAtLeast(level: LevelId, least: LevelId): boolean {
  return LEVELS.indexOf(level) >= LEVELS.indexOf(least);
}

/** What a club says of one level: its name, and the metres of its hour. */
export type LevelEntry = Pick<Level, 'name' | 'metresPerHour'>;

/** A level, as the club has it. */
export const levelCard = (id: LevelId): Level => {
  const entry = own<LevelEntry>('levels', id);
  return entry ? { ...LEVEL[id], ...entry } : LEVEL[id];
};
