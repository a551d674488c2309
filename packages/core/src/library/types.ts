// What a card of the library holds.
import type { HealthFlag, LevelId, StrokeModelId } from '../swimmers';
import type { KitId } from './kit';

export const DRILL_PLACES = ['land', 'wall', 'shallow', 'pool', 'deep', 'open-water'] as const;
export type DrillPlace = (typeof DRILL_PLACES)[number];

/** How much of a drill: one kind that fits its place, never metres for what is done on the spot. */
export type Dose =
  | {
      readonly kind: 'distance';
      readonly tries: number;
      /** Usual metres of one try. */
      readonly metres: number;
      /** Most metres of one try. */
      readonly mostM: number;
      /** Where one try is always this distance, in the pool's own unit. */
      readonly whole?: number;
    }
  | {
      readonly kind: 'seconds';
      readonly tries: number;
      /** Most seconds of one try. */
      readonly seconds: number;
    }
  | {
      readonly kind: 'repeats';
      readonly tries: number;
      /** About how long one takes, with getting ready for the next, seconds. */
      readonly eachS: number;
    };

/** More (1) or less (−1) of something in the stroke. */
export interface Moves {
  /** Strokes a minute. */
  readonly rate?: 1 | -1;
  /** Metres a stroke. */
  readonly length?: 1 | -1;
  /** Breaths to choose from, and air in each. */
  readonly breath?: 1 | -1;
}

/** One way to practise one thing. */
export interface Drill {
  readonly name: string;
  /** Which cause it answers, or which skill it trains, and why it carries over. */
  readonly purpose: string;
  /** The skill, for drills that train one rather than cure a cause. */
  readonly trains?: string;
  readonly steps: readonly string[];
  readonly feel: string;
  readonly mistakes: readonly string[];
  readonly cue: string;
  readonly kit: readonly KitId[];
  /** Where it may be done; nowhere else. */
  readonly places: readonly DrillPlace[];
  /** The lowest level that does it. */
  readonly from: LevelId;
  readonly contradicts: readonly StrokeModelId[];
  readonly view: 'side' | 'front' | 'above' | 'under water';
  /** Heels come near the edge: not where it is raised. */
  readonly levelEdge?: true;
  readonly dose: Dose;
  /** Speed as a share of the swimmer's easy swimming; null when no distance is covered. */
  readonly factor: number | null;
  readonly cautions: readonly string[];
  /**
   * For those who cannot swim the other answers yet, or have no kit for them: a session from Build upward is planned
   * without it while anything else fits.
   */
  readonly standIn?: true;
  /** Which way it moves the stroke, where it does: so that none is given for the very thing it makes more of. */
  readonly moves?: Moves;
  /** Health flags with which it is left out. */
  readonly notWith: readonly HealthFlag[];
}
