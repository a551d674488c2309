import type { LevelId } from '../../swimmers';

/** Distances of each shape of a main part for a level, in metres or yards alike. */
export interface Sizes {
  /** Theme and whole stroke in turn. */
  readonly inTurn: readonly (readonly [theme: number, whole: number])[];
  readonly straight: readonly number[];
  readonly ladders: readonly (readonly number[])[];
  readonly pyramids: readonly (readonly number[])[];
  readonly descend: readonly number[];
  readonly negativeSplit: readonly number[];
  /** A swim broken into parts with a short rest, and the easy swim after it. */
  readonly broken: readonly { readonly parts: number; readonly of: number; readonly easy: number }[];
  readonly pull: readonly number[];
  readonly kick: readonly number[];
  readonly rateSteps: readonly number[];
  readonly overDistance: readonly number[];
}

export const SIZES: Readonly<Record<LevelId, Sizes>> = {
  settle: {
    inTurn: [[25, 25]],
    straight: [25],
    ladders: [],
    pyramids: [],
    descend: [],
    negativeSplit: [],
    broken: [],
    pull: [],
    kick: [],
    rateSteps: [],
    overDistance: [],
  },
  build: {
    inTurn: [
      [50, 50],
      [50, 100],
      [100, 100],
      [100, 200],
    ],
    straight: [50, 100, 150],
    ladders: [
      [50, 100, 150],
      [50, 100, 150, 200],
      [200, 150, 100, 50],
    ],
    pyramids: [
      [50, 100, 50],
      [50, 100, 150, 100, 50],
      [50, 100, 150, 200, 150, 100, 50],
    ],
    descend: [50, 100],
    negativeSplit: [100, 200],
    broken: [],
    pull: [50, 100],
    kick: [50],
    rateSteps: [50],
    overDistance: [200, 250, 300],
  },
  hold: {
    inTurn: [
      [50, 100],
      [100, 100],
      [100, 200],
      [100, 300],
      [200, 200],
    ],
    straight: [100, 150, 200, 300],
    ladders: [
      [100, 200, 300],
      [100, 200, 300, 400],
      [400, 300, 200, 100],
      [300, 200, 100],
    ],
    pyramids: [
      [50, 100, 150, 100, 50],
      [100, 200, 300, 200, 100],
      [100, 200, 300, 400, 300, 200, 100],
    ],
    descend: [100, 200],
    negativeSplit: [200, 300, 400],
    broken: [
      { parts: 4, of: 50, easy: 100 },
      { parts: 3, of: 100, easy: 150 },
    ],
    pull: [100, 200],
    kick: [50, 100],
    rateSteps: [50, 100],
    overDistance: [400, 500, 600],
  },
  race: {
    inTurn: [
      [100, 100],
      [100, 200],
      [100, 300],
      [200, 300],
      [200, 400],
    ],
    straight: [100, 200, 300, 400],
    ladders: [
      [100, 200, 300, 400],
      [200, 300, 400, 500],
      [400, 300, 200, 100],
    ],
    pyramids: [
      [100, 200, 300, 200, 100],
      [100, 200, 300, 400, 300, 200, 100],
      [200, 300, 400, 300, 200],
    ],
    descend: [100, 200, 300],
    negativeSplit: [200, 400, 600],
    broken: [
      { parts: 4, of: 50, easy: 100 },
      { parts: 4, of: 100, easy: 200 },
    ],
    pull: [200, 300, 400],
    kick: [50, 100],
    rateSteps: [100],
    overDistance: [600, 800, 1000],
  },
};
