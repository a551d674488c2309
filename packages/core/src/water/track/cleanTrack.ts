// A track without what cannot be.
import type { TrackPoint } from '../../exchange';
import { bearingTo, type Place } from '../course/plane';

export interface Gap {
  readonly atMs: number;
  readonly seconds: number;
}

export interface CleanTrack {
  /** In the order of time, half a second apart at least. */
  readonly points: readonly (Place & { readonly timeMs: number })[];
  /** Points that were left out: without a time, out of order, or too far to have been swum in the time. */
  readonly leftOut: number;
  /** Where the receiver was silent. */
  readonly gaps: readonly Gap[];
}

/** A track cannot be used; the message says why, in a sentence for the coach. */
export class RefusedTrack extends Error {}

/** Beyond its usual error and any swimmer's speed the receiver jumped: metres, and m/s. */
const JUMP_M = 20;
const JUMP_MPS = 3;
/** So many points in a row that agree with each other are believed after a jump. */
const BELIEVED = 8;
const GAP_S = 15;
/** Points nearer in time say nothing more of a swimmer; many devices write one a stroke or a second. */
const LEAST_STEP_MS = 500;
/** Fewer points than this are no track. */
const LEAST_POINTS = 20;
/** Points that are kept of a track: of a longer one every second, third, … */
export const MOST_TRACK_POINTS = 6000;

/**
 * A track without what cannot be: points without time or out of order, and jumps of the receiver.
 *
 * @throws RefusedTrack when too little is left, or no times are in the file
 */
export function cleanTrack(raw: readonly TrackPoint[]): CleanTrack {
  const points: (Place & { timeMs: number })[] = [];
  let leftOut = 0;
  /** Points after a jump, while it is not known which side of it is right. */
  let doubted: (Place & { timeMs: number })[] = [];
  const fits = (a: Place & { timeMs: number }, b: Place & { timeMs: number }) =>
    bearingTo(a, b).distanceM <= JUMP_M + JUMP_MPS * ((b.timeMs - a.timeMs) / 1000);
  for (const { lat, lon, timeMs } of raw) {
    if (timeMs === null) {
      leftOut++;
      continue;
    }
    const point = { lat, lon, timeMs };
    const last = points.at(-1);
    const newest = doubted.at(-1) ?? last;
    if (newest && timeMs <= newest.timeMs) {
      leftOut++;
      continue;
    }
    if (newest && timeMs - newest.timeMs < LEAST_STEP_MS) continue;
    if (!last || fits(last, point)) {
      points.push(point);
      leftOut += doubted.length;
      doubted = [];
    } else if (doubted.length > 0 && !fits(doubted.at(-1)!, point)) {
      leftOut += doubted.length;
      doubted = [point];
    } else {
      doubted.push(point);
      if (doubted.length < BELIEVED) continue;
      // The receiver has found the place at last: what came before the jump was the error when it was short.
      if (points.length < BELIEVED) leftOut += points.splice(0).length;
      points.push(...doubted);
      doubted = [];
    }
  }
  leftOut += doubted.length;
  if (raw.length > 0 && raw.every((p) => p.timeMs === null))
    throw new RefusedTrack('This track has no times: there is no telling how fast or in which order it was swum.');
  if (points.length < LEAST_POINTS)
    throw new RefusedTrack(`Only ${points.length} points of this track can be used; ${LEAST_POINTS} are needed.`);
  const every = Math.ceil(points.length / MOST_TRACK_POINTS);
  const kept = points.filter((_, i) => i % every === 0);
  const gaps = points.slice(1).flatMap((p, i) => {
    const seconds = (p.timeMs - points[i]!.timeMs) / 1000;
    return seconds > GAP_S ? [{ atMs: points[i]!.timeMs, seconds }] : [];
  });
  return { points: kept, leftOut, gaps };
}
