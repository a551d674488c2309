// What a course is made of: marks, landmarks, areas.
import type { Place } from './plane';

export const TURN_SIDES = ['left', 'right'] as const;
export type TurnSide = (typeof TURN_SIDES)[number];

/** A mark that is swum round, with the shoulder it is kept at. */
export interface Mark extends Place {
  readonly id: string;
  readonly name: string;
  readonly turn: TurnSide;
  /** No buoy lies here: one turns where this landmark, by its id, stands at right angles. */
  readonly abeam?: string;
}

/** Where one can get out along the way. */
export interface Exit extends Place {
  readonly id: string;
  readonly name: string;
  /** The last one before a danger: nobody passes it in doubt. */
  readonly last: boolean;
}

/** Something on land or in the water to aim at. */
export interface Landmark extends Place {
  readonly id: string;
  readonly name: string;
  readonly widthM: number;
  readonly heightM: number;
  /** A ridge or a tower; not a boat, a van or people. */
  readonly fixed: boolean;
}

export const AREA_KINDS = ['land', 'safe', 'forbidden'] as const;
export type AreaKind = (typeof AREA_KINDS)[number];

export interface Area {
  readonly id: string;
  readonly kind: AreaKind;
  readonly name: string;
  /** Corners in order; closed by itself. */
  readonly points: readonly Place[];
}

export interface Course {
  readonly start: Place;
  readonly marks: readonly Mark[];
  readonly finish: Place;
  /** How often the marks are swum round. */
  readonly laps: number;
  readonly areas: readonly Area[];
  readonly landmarks: readonly Landmark[];
  /** Left out where none is drawn. */
  readonly exits?: readonly Exit[];
  /** From one place to another with the stream: nobody swims back. */
  readonly withStream?: boolean;
}

/** Limits of a course. */
export const COURSE_LIMIT = {
  marks: 40,
  laps: 20,
  areas: 40,
  corners: 500,
  landmarks: 60,
  exits: 20,
  legM: 50_000,
} as const;
