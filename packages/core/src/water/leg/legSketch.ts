// A leg as a small drawing: the line to the mark, the aim behind it, the side to breathe to and the way round.
import type { CardLeg } from './raceCard';

/** Strokes and shapes of one leg, as path data in a box of {@link SKETCH_BOX}. */
export interface LegSketch {
  /** The leg, from the swimmer below to the mark above, and the way round the mark where there is one. */
  readonly lines: readonly string[];
  /** The mark, or the finish. */
  readonly mark: string;
  /** What to aim at; null when it is the mark itself. */
  readonly aim: string | null;
  /** Where the mouth turns: one side, or both. */
  readonly breaths: readonly string[];
}

export const SKETCH_BOX = { width: 60, height: 76 } as const;
const MIDDLE = SKETCH_BOX.width / 2;
/** An aim this far off the line stands at the edge of the box, degrees. */
const EDGE_DEG = 20;

/**
 * The drawing of a leg on the card. Angles are drawn larger than they are, so that the side of the aim is seen.
 *
 * @example legSketch({ aimDeg: -5, side: 'left', turn: 'right' }).breaths.length // 1
 */
export function legSketch({ aimDeg, side, turn }: Pick<CardLeg, 'aimDeg' | 'side' | 'turn'>): LegSketch {
  const out = (way: 'left' | 'right') => (way === 'right' ? 1 : -1);
  // The square root spreads small angles, which are most.
  const off = aimDeg === null ? 0 : Math.sign(aimDeg) * Math.sqrt(Math.min(1, Math.abs(aimDeg) / EDGE_DEG));
  const aimX = MIDDLE + off * (MIDDLE - 8);
  // A mark at the right shoulder is passed on its left and rounded to the right.
  const round = turn ? out(turn) : 0;
  const breath = (way: 'left' | 'right') => `M ${MIDDLE + 4 * out(way)} 58 l ${14 * out(way)} -7 l 0 14 Z`;
  return {
    lines: [
      `M ${MIDDLE} 72 L ${MIDDLE} 28`,
      ...(turn
        ? [
            `M ${MIDDLE} 40 C ${MIDDLE - 16 * round} 32 ${MIDDLE - 16 * round} 8 ${MIDDLE + 2 * round} 10 l ${10 * round} 6 m ${-7 * round} 3 l ${7 * round} -3 l ${-1 * round} -8`,
          ]
        : []),
    ],
    mark: `M ${MIDDLE - 5} 22 a 5 5 0 1 0 10 0 a 5 5 0 1 0 -10 0 Z`,
    aim: aimDeg === null ? null : `M ${aimX - 8} 12 L ${aimX} 0 L ${aimX + 8} 12 Z`,
    breaths: side === 'either' ? [breath('left'), breath('right')] : [breath(side)],
  };
}
