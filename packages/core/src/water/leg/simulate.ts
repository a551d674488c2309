import { seeded } from '../../units';
import { nearOptimal } from './sighting';

/** One leg, swum many times: what the swimmer does and what the water does. Angles in radians. */
export interface LegSwim {
  readonly distanceM: number;
  readonly strokeLengthM: number;
  readonly speedMps: number;
  readonly biasRad: number;
  readonly sdRad: number;
  /** Error of the aim after a look, standard deviation. */
  readonly aimSdRad: number;
  readonly lookCostS: number;
  /** Chance that a look shows the mark: waves and small marks hide it. */
  readonly seeProbability: number;
  /** The mark counts as reached within this, metres. */
  readonly turnRadiusM: number;
  /** Flow along the leg and across it to the right, m/s. */
  readonly current: { readonly along: number; readonly across: number };
  /** The swimmer turns up against the current at each look, as far as the current asks; else straight at the mark. */
  readonly holdUp?: boolean;
  /** The leg begins with a turn: the swimmer looks a second time soon after it. */
  readonly afterTurn?: boolean;
  readonly seed: number;
}

/** One swim of the leg. */
interface Swum {
  strokes: number;
  looks: number;
}

/** Strokes to the second look after a missed one: after the next breath. */
const AGAIN_AFTER = 2;
/** Looks that may miss in a row before the swimmer goes on at the usual interval. */
const MISSES = 3;
/** A second look soon after a turn. */
const AFTER_TURN = 8;
/** A swim that needs more than this times the direct strokes has no end: the water carries the swimmer away. */
const LOST = 6;

/** Sizes of the table of normal deviates; a power of two that stays in the fastest cache. */
const TABLE = 4096;
const MASK = TABLE - 1;

/** Quantiles of the standard normal distribution, variance exactly 1: two table look-ups a random number. */
const NORMAL = normalTable();

function normalTable(): Float64Array {
  const table = new Float64Array(TABLE);
  for (let i = 0; i < TABLE / 2; i++) {
    const z = quantile((i + 0.5) / TABLE);
    table[i] = z;
    table[TABLE - 1 - i] = -z;
  }
  const sd = Math.sqrt(table.reduce((sum, z) => sum + z * z, 0) / TABLE);
  return table.map((z) => z / sd);
}

/** Lower quantile of the standard normal by bisection of its distribution function; only for the table. */
function quantile(p: number): number {
  let low = -6;
  let high = 0;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (lowerTail(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Φ(z) for z ≤ 0 (Abramowitz & Stegun 7.1.26, error under 1.5e-7). */
function lowerTail(z: number): number {
  const x = -z / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return 0.5 * poly * Math.exp(-x * x);
}

/** Beyond this turn from the line of the last look, radians, sine and cosine are taken exactly. */
const SMALL = 1;

/** Random bits of one swim: xorshift32 (Marsaglia 2003). */
let bits = 1;
function next(): number {
  bits ^= bits << 13;
  bits ^= bits >>> 17;
  bits ^= bits << 5;
  return bits;
}

/**
 * One swim, stroke by stroke. Between looks the strokes are added up in the frame of the last look, where the
 * angles are small and two short polynomials stand for sine and cosine; only looks and the end need a root.
 *
 * @param path receives x (along) and y (right) of every look, when given
 */
function swim(leg: LegSwim, interval: number, track: number, out: Swum, path?: number[]): void {
  const { strokeLengthM, biasRad, sdRad, aimSdRad, seeProbability, turnRadiusM, distanceM } = leg;
  const strokeS = strokeLengthM / leg.speedMps;
  const flowX = leg.current.along * strokeS;
  const flowY = leg.current.across * strokeS;
  const sure = seeProbability >= 1;
  bits = (seeded(leg.seed, track * 64 + interval) * 0xffffffff) | 1;
  for (let warm = 0; warm < 4; warm++) next();
  const most = Math.ceil((LOST * distanceM) / strokeLengthM) + 100;
  const stepLength = strokeLengthM + Math.hypot(flowX, flowY);

  let x = 0;
  let y = 0;
  let strokes = 0;
  let looks = 0;
  let misses = 0;
  // Unit vector of the aim at the last look that saw the mark, and the turn away from it since.
  let ux = 1;
  let uy = 0;
  let theta = 0;
  let first = leg.afterTurn === true;
  for (;;) {
    const dx = distanceM - x;
    const dy = -y;
    const left = Math.sqrt(dx * dx + dy * dy);
    if (left <= turnRadiusM || strokes >= most) break;
    if (path) path.push(x, y);
    looks++;
    let run: number;
    if (sure || (next() >>> 8) * 2 ** -24 < seeProbability) {
      ux = dx / left;
      uy = dy / left;
      if (leg.holdUp) {
        // Across the way to the mark the stroke must undo what the water does.
        const s = Math.max(-0.95, Math.min(0.95, (uy * flowX - ux * flowY) / strokeLengthM));
        const c = Math.sqrt(1 - s * s);
        [ux, uy] = [ux * c - uy * s, uy * c + ux * s];
      }
      theta = aimSdRad === 0 ? 0 : aimSdRad * NORMAL[next() & MASK]!;
      misses = 0;
      run = first && interval > AFTER_TURN ? AFTER_TURN : interval;
      first = false;
    } else {
      misses++;
      run = misses <= MISSES ? Math.min(AGAIN_AFTER, interval) : interval;
    }
    if (left > turnRadiusM + (run + 1) * stepLength) {
      // The mark is out of reach before the next look: nothing but the sums is needed.
      let along = 0;
      let aside = 0;
      let n = run;
      for (; n >= 2; n -= 2) {
        bits ^= bits << 13;
        bits ^= bits >>> 17;
        bits ^= bits << 5;
        theta += biasRad + sdRad * NORMAL[(bits >>> 20) & MASK]!;
        let t2 = theta * theta;
        along += 1 - t2 * (0.5 - t2 * (1 / 24 - t2 * (1 / 720)));
        aside += theta * (1 - t2 * (1 / 6 - t2 * (1 / 120 - t2 * (1 / 5040))));
        theta += biasRad + sdRad * NORMAL[(bits >>> 4) & MASK]!;
        t2 = theta * theta;
        along += 1 - t2 * (0.5 - t2 * (1 / 24 - t2 * (1 / 720)));
        aside += theta * (1 - t2 * (1 / 6 - t2 * (1 / 120 - t2 * (1 / 5040))));
      }
      if (n === 1) {
        theta += biasRad + sdRad * NORMAL[(next() >>> 20) & MASK]!;
        along += Math.cos(theta);
        aside += Math.sin(theta);
      }
      x += strokeLengthM * (along * ux - aside * uy) + run * flowX;
      y += strokeLengthM * (along * uy + aside * ux) + run * flowY;
      strokes += run;
      // A long row of missed looks may turn far: the frame is turned along, so that the angles stay small.
      if (theta > SMALL || theta < -SMALL) {
        const [c, s] = [Math.cos(theta), Math.sin(theta)];
        [ux, uy] = [ux * c - uy * s, ux * s + uy * c];
        theta = 0;
      }
      continue;
    }
    for (let n = 0; n < run; n++) {
      theta += biasRad + sdRad * NORMAL[(next() >>> 20) & MASK]!;
      const c = Math.cos(theta);
      const s = Math.sin(theta);
      x += strokeLengthM * (c * ux - s * uy) + flowX;
      y += strokeLengthM * (c * uy + s * ux) + flowY;
      strokes++;
      const near = (distanceM - x) ** 2 + y * y;
      if (near <= turnRadiusM * turnRadiusM) break;
    }
  }
  // The first look is the start: everybody knows where to go.
  out.strokes = strokes;
  out.looks = Math.max(0, looks - 1);
  if (path) path.push(x, y);
}

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

export interface Sweep {
  readonly results: readonly IntervalResult[];
  readonly best: number;
  readonly nearOptimal: readonly [low: number, high: number];
}

/** The best of some simulated intervals, rising, and those around it that cost under half a percent more. */
export function bestOf(results: readonly IntervalResult[]): Sweep {
  const times = results.map((r) => r.meanTimeS);
  const best = times.reduce((least, time, i) => (time < times[least]! ? i : least), 0);
  const [low, high] = nearOptimal(times, best, (time) => time, 0);
  return { results, best: results[best]!.interval, nearOptimal: [results[low]!.interval, results[high]!.interval] };
}

/** Simulates every interval from `low` to `high`. */
export function sweepLeg(leg: LegSwim, intervals: readonly number[], tracks: number): Sweep {
  return bestOf(intervals.map((interval) => simulateInterval(leg, interval, tracks)));
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
