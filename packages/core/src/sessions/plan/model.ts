import type { DrillId, KitId } from '../../library';
import type { PacePoint, Side } from '../../measures';
import type { CauseId } from '../../review';
import type { BreathRecord } from '../../safety';
import type { LevelId, StrokeModelId } from '../../swimmers';
import type { Pool } from '../../units';

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

/**
 * What a block is called: the coach's own name, or that of its kind.
 *
 * @example blockWord({ kind: 'main', name: 'Pre-set' }) // 'Pre-set'
 */
export const blockWord = ({ kind, name }: { readonly kind: BlockKind; readonly name?: string | undefined }): string =>
  name ?? BLOCK_NAME[kind];

export const SESSION_KINDS = ['aerobic', 'technique', 'speed'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

/** Theme when nothing else is known: where everyone begins. */
export const FIRST_THEME: CauseId = 'holds-breath';

/** What is swum. Medley is a quarter of the rep each; kick is legs alone, and says with its kit how. */
export const SWIM_STROKES = [
  'front-crawl',
  'backstroke',
  'breaststroke',
  'butterfly',
  'medley',
  'kick',
  'choice',
] as const;
export type SwimStroke = (typeof SWIM_STROKES)[number];

/** Speed in a stroke as a share of crawl. */
export type StrokeShares = Readonly<Partial<Record<SwimStroke, number>>>;

/** Pool, or a loop in open water that takes the place of the pool length. */
export const SESSION_PLACES = ['pool', 'open-water'] as const;
export type SessionPlace = (typeof SESSION_PLACES)[number];

/** Largest text that is read as a session, characters and lines: six groups have about five thousand and two hundred. */
export const LONGEST_TEXT = 50_000;
export const MOST_LINES = 1000;

/** Shortest and longest loop outside, metres. */
export const LOOP_LENGTH = { min: 20, max: 10_000 } as const;

export type Breathing =
  | { readonly kind: 'free' }
  /** A breath every k strokes; odd patterns change sides, even ones stay on `side`. */
  | { readonly kind: 'every'; readonly strokes: number; readonly side: Side }
  /** Always to one side, every second stroke. */
  | { readonly kind: 'to-side'; readonly side: Side }
  /** To one side for a length, to the other for the next; `side` begins. */
  | { readonly kind: 'by-length'; readonly strokes: number; readonly side: Side }
  /**
   * So many breaths in each length, or in the whole rep, stepping evenly from the first rep to the last. Only behind
   * the gates of safety when they are few.
   */
  | { readonly kind: 'limited'; readonly first: number; readonly last: number; readonly per?: 'rep' };

export interface Sighting {
  /** Strokes between looks. */
  readonly every: number;
  /** The look takes the place of one breath, which doubles that gap; otherwise it comes before the breath. */
  readonly forBreath: boolean;
}

export type Timing =
  | { readonly kind: 'rest'; readonly seconds: number }
  /** Seconds from one start to the next. */
  | { readonly kind: 'send-off'; readonly seconds: number };

/** What every set says, however it is measured. */
interface SetFields {
  readonly id: string;
  readonly reps: number;
  readonly stroke: SwimStroke;
  readonly drill: DrillId | null;
  /** Share of the power that can be held for about 400 m, 0–1. */
  readonly effort: number;
  readonly breathing: Breathing;
  readonly sighting: Sighting | null;
  readonly strokeRateSpm: number | null;
  readonly timing: Timing;
  readonly kit: readonly KitId[];
  readonly note: string;
}

/** `reps × lengths` of one thing. Distances are pool lengths or loops, so every total is exact. */
export interface SwimSet extends SetFields {
  readonly kind: 'swim';
  /** Pool lengths of one rep; halves end at the mark in mid-pool. */
  readonly lengths: number;
}

/** Each rep half at one effort, half at another: short and fast without a whole length all-out. */
export interface HalfSet extends SetFields {
  readonly kind: 'halves';
  readonly lengths: number;
  /** Effort of the second half; `effort` is that of the first. */
  readonly secondEffort: number;
}

/** Each rep faster than the one before, in even steps from `effort` to `lastEffort`. */
export interface DescendSet extends SetFields {
  readonly kind: 'descend';
  readonly lengths: number;
  readonly lastEffort: number;
}

/** `reps × seconds`: skills outside, and tries of beginners. Its metres are an estimate. */
export interface TimedSet extends SetFields {
  readonly kind: 'timed';
  readonly seconds: number;
}

export type AnySet = SwimSet | HalfSet | DescendSet | TimedSet;

/** Sets swum through several times; may be nested. */
export interface Rounds {
  readonly kind: 'rounds';
  readonly id: string;
  readonly rounds: number;
  readonly items: readonly Item[];
}

/** The longest pause, seconds. */
export const LONGEST_PAUSE_S = 1800;

/** Time to rest, to drink and to hear what comes; nobody swims. */
export interface Pause {
  readonly kind: 'pause';
  readonly id: string;
  readonly seconds: number;
  readonly note: string;
}

export type Item = AnySet | Rounds | Pause;

/** How deep rounds may lie in rounds. */
export const DEEPEST_ROUNDS = 4;

/** Most blocks of a level, most levels of a session, and the longest name of a block. */
export const MOST_BLOCKS = 12;
export const MOST_LEVELS = 6;
export const LONGEST_BLOCK_NAME = 40;

export interface Block {
  readonly kind: BlockKind;
  readonly id: string;
  /** What the coach calls it, such as "Pre-set"; left out where the name of its kind says enough. */
  readonly name?: string;
  /** Minutes on land; 0 in the water blocks. */
  readonly landMinutes: number;
  readonly items: readonly Item[];
  readonly note: string;
}

export interface GroupPlan {
  readonly id: string;
  readonly level: LevelId;
  /** Stroke model of most of the group. */
  readonly model: StrokeModelId;
  readonly name: string;
  readonly swimmers: number;
  readonly lanes: number;
  /** Speed over about 400 m that sets the clock, m/s. */
  readonly v400Mps: number;
  /** Whether that speed is the level's default rather than this group's own. */
  readonly paceIsGuess: boolean;
  readonly strokeLengthM: number;
  /** The club's own pace table; empty takes the effort law. */
  readonly paceTable: readonly PacePoint[];
  /** Speed in other strokes as a share of crawl, from own times; a stroke left out takes the usual share, a guess. */
  readonly strokeShares?: StrokeShares;
  /** Drills the group has done before: they need less talk. */
  readonly knownDrills: readonly DrillId[];
  /** What was agreed before a set with limited breathing; null when there is none. */
  readonly breathRecord: BreathRecord | null;
  readonly note: string;
  readonly blocks: readonly Block[];
}

export interface SessionPlan {
  readonly kind: SessionKind;
  readonly theme: CauseId;
  readonly place: SessionPlace;
  /** The pool; in open water the loop, with its metres as the length. */
  readonly pool: Pool;
  readonly minutes: number;
  readonly seed: number;
  readonly note: string;
  readonly groups: readonly GroupPlan[];
}
