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
