// What is looked at and what is found, without what finds it: light enough for the page.
import type { Side } from '../../measures';

/** A clip as small grey pictures, one after the other. */
export interface Frames {
  readonly width: number;
  readonly height: number;
  /** When each was shown, seconds from the start of the clip, rising. */
  readonly timesS: readonly number[];
  /** Brightness, 0–255: frame by frame, row by row. */
  readonly grey: Uint8Array;
}

/** The size that pictures are made small to: enough to see an arm, and few enough to look at all of them. */
export const FIND_SIZE = { width: 96, height: 54 } as const;

/** As much of a clip is looked at in one go, seconds. */
export const MOST_S = 60;

/** A hand that seems to go in: nothing counts before a coach confirms it. */
export interface ProposedEntry {
  /** Seconds from the start of the clip. */
  readonly timeS: number;
  /** In turn; from the front it is seen, from the side it is a guess. */
  readonly side: Side;
}

/** `other-view`: it is more like a swimmer who was filmed from the other side. */
export type NotFound = 'too-short' | 'no-rhythm' | 'no-swimmer' | 'other-view';

/** What was found, or why nothing was. */
export type FoundStrokes =
  | {
      readonly found: true;
      /** Strokes a minute, and how far off it may be. */
      readonly strokesPerMin: number;
      readonly errorPerMin: number;
      readonly entries: readonly ProposedEntry[];
      /** How alike the clip is to a swimmer who is drawn, 0–1. */
      readonly likeness: number;
    }
  | { readonly found: false; readonly why: NotFound };

/** Shortest clip that is looked at, seconds: three cycles of a slow swimmer. */
export const SHORTEST_S = 6;
