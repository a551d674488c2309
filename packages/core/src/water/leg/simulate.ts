// A leg swum many times with one interval between looks.
import { LOST, type LegSwim, type Swum, swim } from './swim';

export interface IntervalResult {
  readonly interval: number;
  readonly meanTimeS: number;
  readonly p10TimeS: number;
  readonly p90TimeS: number;
  /** Metres swum through the water. */
  readonly meanDistanceM: number;
  /** Swims that never reached the mark. */
  readonly lost: number;
  /** Strokes that were simulated. */
  readonly strokes: number;
}

/**
 * Time and metres of a leg when looking every `interval` strokes, over many swims.
 *
 * Same inputs, same result: every swim has its own random numbers, made from seed, interval and number.
 *
 * @param tracks swims, integer ≥ 1
 * @throws RangeError when a number is out of range
 */
export function simulateInterval(leg: LegSwim, interval: number, tracks: number): IntervalResult {
  checkLeg(leg);
  if (!Number.isInteger(interval) || interval < 1) throw new RangeError('interval: a whole number from 1');
  if (!Number.isInteger(tracks) || tracks < 1) throw new RangeError('tracks: a whole number from 1');
  const strokeS = leg.strokeLengthM / leg.speedMps;
  const most = Math.ceil((LOST * leg.distanceM) / leg.strokeLengthM) + 100;
  const times = new Float64Array(tracks);
  const swum: Swum = { strokes: 0, looks: 0 };
  let [strokes, lost] = [0, 0];
  for (let track = 0; track < tracks; track++) {
    swim(leg, interval, track, swum);
    times[track] = swum.strokes * strokeS + swum.looks * leg.lookCostS;
    strokes += swum.strokes;
    if (swum.strokes >= most) lost++;
  }
  let sum = 0;
  for (let track = 0; track < tracks; track++) sum += times[track]!;
  times.sort();
  return {
    interval,
    meanTimeS: sum / tracks,
    p10TimeS: times[Math.floor((tracks - 1) * 0.1)]!,
    p90TimeS: times[Math.ceil((tracks - 1) * 0.9)]!,
    meanDistanceM: (strokes * leg.strokeLengthM) / tracks,
    lost,
    strokes,
  };
}

/** Longest leg of one simulation, metres. */
export const LONGEST_LEG_M = 50_000;

function checkLeg(leg: LegSwim): void {
  const over = (value: number) => Number.isFinite(value) && value > 0;
  if (!over(leg.distanceM) || leg.distanceM > LONGEST_LEG_M)
    throw new RangeError(`distanceM: over 0, at most ${LONGEST_LEG_M}`);
  if (!over(leg.strokeLengthM) || !over(leg.speedMps)) throw new RangeError('strokeLengthM and speedMps: over 0');
  if (!(leg.seeProbability > 0 && leg.seeProbability <= 1)) throw new RangeError('seeProbability: over 0, at most 1');
  if (!(leg.sdRad >= 0 && leg.aimSdRad >= 0 && leg.lookCostS >= 0 && leg.turnRadiusM >= 0))
    throw new RangeError('sdRad, aimSdRad, lookCostS and turnRadiusM: from 0');
  if (![leg.biasRad, leg.current.along, leg.current.across].every(Number.isFinite))
    throw new RangeError('biasRad and current: numbers');
  const { along, across } = leg.current;
  if (Math.abs(across) >= leg.speedMps || leg.speedMps + along <= 0)
    throw new RangeError('The current is as fast as the swimmer: this leg cannot be swum.');
}

/**
 * Some swims of a leg as lines to draw: x along the leg and y to the right of it, metres, a point for each look.
 */
export function trackBundle(leg: LegSwim, interval: number, tracks: number): number[][] {
  checkLeg(leg);
  return Array.from({ length: tracks }, (_, track) => {
    const path: number[] = [];
    swim(leg, interval, track, { strokes: 0, looks: 0 }, path);
    return path;
  });
}
