import { turnBetween } from '../course/plane';
import type { Sun } from './sun';

/** Glare: the sun within this of where one looks, and below this height, degrees. */
export const GLARE = { withinDeg: 45, underDeg: 35 } as const;
/** Waves under this do not matter to the side, metres. */
const CHOP_M = 0.15;
/** Waves within this of straight ahead or behind have no side, degrees. */
const ON_THE_NOSE = 30;

export interface SideQuestion {
  readonly legBearingDeg: number;
  /** Null in the dark or under thick cloud. */
  readonly sun: Sun | null;
  /** Where the waves come from; null when it is flat. */
  readonly waveFromDeg: number | null;
  readonly waveHeightM: number;
  /** Which way the course turns at the next mark. */
  readonly nextTurn: 'left' | 'right' | null;
  /** Where most other swimmers are. */
  readonly others?: 'left' | 'right' | null;
}

export interface SideAdvice {
  readonly side: 'left' | 'right' | 'either';
  readonly reasons: readonly string[];
  /** What speaks for the other side. */
  readonly against: readonly string[];
  /** What makes the other side unpleasant to breathe to; empty when only the view speaks for this one. */
  readonly because: readonly ('waves' | 'glare')[];
}

type Vote = {
  readonly cause?: 'waves' | 'glare';
  readonly side: 'left' | 'right';
  readonly weight: number;
  readonly reason: string;
};

/**
 * To which side to breathe on a leg: away from breaking chop and glare, towards what must be seen.
 *
 * @example breathingSide({ legBearingDeg: 0, sun: null, waveFromDeg: 90, waveHeightM: 0.5, nextTurn: null }).side // 'left'
 */
export function breathingSide(q: SideQuestion): SideAdvice {
  const votes: Vote[] = [];
  const other = (side: 'left' | 'right') => (side === 'left' ? 'right' : 'left');
  const reasons: string[] = [];
  if (q.waveFromDeg !== null && q.waveHeightM >= CHOP_M) {
    const from = turnBetween(q.legBearingDeg, q.waveFromDeg);
    if (Math.abs(from) <= ON_THE_NOSE) reasons.push('The waves are on the nose: look at the top of a wave.');
    else if (Math.abs(from) < 180 - ON_THE_NOSE) {
      const wet = from > 0 ? 'right' : 'left';
      const reason = `The waves come from the ${wet}: breathe away from them.`;
      votes.push({ side: other(wet), weight: q.waveHeightM >= 0.4 ? 4 : 3, reason, cause: 'waves' });
    }
  }
  if (q.sun && q.sun.altitudeDeg > 0 && q.sun.altitudeDeg < GLARE.underDeg) {
    const away = turnBetween(q.legBearingDeg, q.sun.bearingDeg);
    for (const side of ['left', 'right'] as const)
      if (Math.abs(turnBetween(away, side === 'left' ? -90 : 90)) <= GLARE.withinDeg)
        votes.push({
          side: other(side),
          weight: 2,
          cause: 'glare',
          reason: `The sun is low on the ${side}: glare at each breath there.`,
        });
    if (Math.abs(away) <= GLARE.withinDeg)
      reasons.push('The sun is ahead: choose a large dark aim point, tinted goggles.');
  }
  if (q.others)
    votes.push({ side: q.others, weight: 1.5, reason: `The others are on the ${q.others}: keep them in sight.` });
  if (q.nextTurn)
    votes.push({
      side: q.nextTurn,
      weight: 1,
      reason: `The next turn is to the ${q.nextTurn}: the next leg is seen there.`,
    });
  const sum = votes.reduce((total, { side, weight }) => total + (side === 'left' ? -weight : weight), 0);
  const side = sum === 0 ? 'either' : sum < 0 ? 'left' : 'right';
  return {
    side,
    reasons: [
      ...votes.filter((v) => side === 'either' || v.side === side).map((v) => v.reason),
      ...reasons,
      ...(votes.length === 0 ? ['No reason to prefer a side: alternate and see both.'] : []),
    ],
    against: votes.filter((v) => side !== 'either' && v.side !== side).map((v) => v.reason),
    because: votes.flatMap((v) => (v.side === side && v.cause ? [v.cause] : [])),
  };
}
