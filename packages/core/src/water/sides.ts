import { getPosition } from 'suncalc';
import { RAD } from '../units';
import { turnBetween, turned } from './plane';

export interface Sun {
  /** Degrees from north, clockwise. */
  readonly bearingDeg: number;
  /** Degrees over the horizon, with refraction; negative below it. */
  readonly altitudeDeg: number;
}

/**
 * Where the sun stands.
 *
 * @param lat degrees, north positive
 * @param lon degrees, east positive
 * @param at the moment
 * @throws RangeError for a place or time that is none
 */
export function sunAt(lat: number, lon: number, at: Date): Sun {
  if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180)) throw new RangeError('lat from −90 to 90, lon from −180 to 180');
  if (Number.isNaN(at.getTime())) throw new RangeError('time: a moment is needed');
  const { azimuth, altitude } = getPosition(at, lat, lon);
  return { bearingDeg: turned(azimuth), altitudeDeg: altitude };
}

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
}

type Vote = { readonly side: 'left' | 'right'; readonly weight: number; readonly reason: string };

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
      votes.push({ side: other(wet), weight: q.waveHeightM >= 0.4 ? 4 : 3, reason });
    }
  }
  if (q.sun && q.sun.altitudeDeg > 0 && q.sun.altitudeDeg < GLARE.underDeg) {
    const away = turnBetween(q.legBearingDeg, q.sun.bearingDeg);
    for (const side of ['left', 'right'] as const)
      if (Math.abs(turnBetween(away, side === 'left' ? -90 : 90)) <= GLARE.withinDeg)
        votes.push({
          side: other(side),
          weight: 2,
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
      ...(votes.length === 0 ? ['Nothing speaks for one side: change sides and see both.'] : []),
    ],
    against: votes.filter((v) => side !== 'either' && v.side !== side).map((v) => v.reason),
  };
}

export interface Crossing {
  /** Turn up-current from the leg, degrees; to the right when the current pushes left. */
  readonly headingDeg: number;
  readonly groundMps: number;
}

/** The water is faster than the swimmer: the leg cannot be swum. */
export class ImpossibleCrossing extends RangeError {}

/**
 * The heading to hold across a current: `asin(cross / swim)`.
 *
 * @param crossMps flow across the leg, to the right positive
 * @param alongMps flow along the leg, with the swimmer positive
 * @returns the turn against the flow, 0–90 degrees, and the speed over ground
 * @throws ImpossibleCrossing when the cross-current, or what is left against a head current, leaves no way forward
 * @example crossing(1.1, 0.25, 0) // 13.1°, 1.07 m/s
 */
export function crossing(swimMps: number, crossMps: number, alongMps: number): Crossing {
  if (!(swimMps > 0)) throw new RangeError('swimMps must be over 0');
  if (Math.abs(crossMps) >= swimMps)
    throw new ImpossibleCrossing('The current across is as fast as the swimmer: this leg cannot be swum.');
  const turn = Math.asin(crossMps / swimMps);
  const groundMps = swimMps * Math.cos(turn) + alongMps;
  if (groundMps <= 0)
    throw new ImpossibleCrossing('The current against is as fast as the swimmer: this leg cannot be swum.');
  return { headingDeg: Math.abs(turn / RAD), groundMps };
}

/**
 * How far off the line a leader may swim before the feet cost more than they give: `acos(1/(1+gain))`.
 *
 * @param gain share of speed won behind the feet, 0–1
 * @returns degrees
 * @example draftingLimit(0.03) // 13.9
 */
export function draftingLimit(gain: number): number {
  if (!(gain >= 0 && gain <= 1)) throw new RangeError('gain: from 0 to 1');
  return Math.acos(1 / (1 + gain)) / RAD;
}
