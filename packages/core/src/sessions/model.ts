import type { DrillId, KitId } from '../library';
import type { Side } from '../measures';
import type { CauseId } from '../review';
import type { LevelId } from '../swimmers';
import type { Pool } from '../units';

/** The parts of a session in their order. */
export const BLOCK_KINDS = ['land', 'warm-up', 'drills', 'main', 'speed', 'swim-down'] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

export const BLOCK_NAME: Readonly<Record<BlockKind, string>> = {
  land: 'Land',
  'warm-up': 'Warm-up',
  drills: 'Drills',
  main: 'Main',
  speed: 'Speed',
  'swim-down': 'Swim-down',
};

export const SESSION_KINDS = ['aerobic', 'technique', 'speed'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

export const SWIM_STROKES = ['front-crawl', 'backstroke', 'breaststroke', 'butterfly', 'choice'] as const;
export type SwimStroke = (typeof SWIM_STROKES)[number];

export type Breathing =
  | { readonly kind: 'free' }
  /** A breath every k strokes; odd patterns change sides, even ones stay on `side`. */
  | { readonly kind: 'every'; readonly strokes: number; readonly side: Side };

export type Timing =
  | { readonly kind: 'rest'; readonly seconds: number }
  /** Leave every so many seconds. */
  | { readonly kind: 'send-off'; readonly seconds: number };

/** `reps × lengths` of one thing. Distances are pool lengths, so every total is exact. */
export interface SwimSet {
  readonly kind: 'swim';
  readonly id: string;
  readonly reps: number;
  /** Pool lengths of one rep; halves end at the mark in mid-pool. */
  readonly lengths: number;
  readonly stroke: SwimStroke;
  readonly drill: DrillId | null;
  /** Share of the power that can be held for about 400 m, 0–1. */
  readonly effort: number;
  readonly breathing: Breathing;
  /** Strokes between looks, or null. */
  readonly sightEvery: number | null;
  readonly strokeRateSpm: number | null;
  readonly timing: Timing;
  readonly kit: readonly KitId[];
  readonly note: string;
}

/** Sets swum through several times; may be nested. */
export interface Rounds {
  readonly kind: 'rounds';
  readonly id: string;
  readonly rounds: number;
  readonly items: readonly Item[];
}

export type Item = SwimSet | Rounds;

export interface Block {
  readonly kind: BlockKind;
  readonly id: string;
  /** Minutes on land; 0 in the water blocks. */
  readonly landMinutes: number;
  readonly items: readonly Item[];
  readonly note: string;
}

export interface GroupPlan {
  readonly id: string;
  readonly level: LevelId;
  readonly name: string;
  readonly swimmers: number;
  readonly lanes: number;
  /** Speed over about 400 m that sets the clock, m/s. */
  readonly v400Mps: number;
  /** Whether that speed is the level's default rather than this group's own. */
  readonly paceIsGuess: boolean;
  readonly strokeLengthM: number;
  /** Drills the group has done before: they need less talk. */
  readonly knownDrills: readonly DrillId[];
  readonly blocks: readonly Block[];
}

export interface SessionPlan {
  readonly kind: SessionKind;
  readonly theme: CauseId;
  readonly pool: Pool;
  readonly minutes: number;
  readonly seed: number;
  readonly groups: readonly GroupPlan[];
}
