import type { LevelId } from './levels';

/** Three ways to swim crawl that good coaches teach; a swimmer has one. */
export const STROKE_MODELS = ['long-line', 'quick-rhythm', 'roll-and-press'] as const;
export type StrokeModelId = (typeof STROKE_MODELS)[number];

export interface StrokeModel {
  readonly name: string;
  readonly suits: string;
  /** Adult stroke rate band, strokes (hand entries) a minute. */
  readonly rateBandSpm: readonly [low: number, high: number];
}

export const STROKE_MODEL: Readonly<Record<StrokeModelId, StrokeModel>> = {
  'long-line': {
    name: 'Long line',
    suits: 'learning, pool and flat water',
    rateBandSpm: [50, 66],
  },
  'quick-rhythm': {
    name: 'Quick rhythm',
    suits: 'triathlon, chop and packs',
    rateBandSpm: [66, 90],
  },
  'roll-and-press': {
    name: 'Roll and press',
    suits: 'long swims and cold-water distance',
    rateBandSpm: [48, 62],
  },
};

export interface ModelQuestion {
  readonly level: LevelId;
  /** Where the race goal is swum, if there is one. */
  readonly place: 'pool' | 'open-water' | null;
  readonly goalDistanceM: number | null;
  readonly catchLadderPassed: boolean;
}

/**
 * The stroke model to start from; the coach decides.
 *
 * Fundamentals come first: Quick rhythm is only offered once the Catch ladder is passed.
 *
 * @example defaultModel({ level: 'hold', place: 'open-water', goalDistanceM: 5000, catchLadderPassed: false }) // 'roll-and-press'
 */
export function defaultModel(q: ModelQuestion): StrokeModelId {
  if (q.place !== 'open-water' || q.level === 'settle') return 'long-line';
  if (q.goalDistanceM !== null && q.goalDistanceM >= 5000) return 'roll-and-press';
  return q.catchLadderPassed ? 'quick-rhythm' : 'long-line';
}
