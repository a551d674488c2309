// What reps at rising stroke rates say of a swimmer.
import { seeded } from '../units';

export interface RampRep {
  readonly strokeRateSpm: number;
  readonly speedMps: number;
}

/** `peak`: the best rate lies inside what was tried; `still-rising`, `test-lower`: outside; `unclear`: no curve. */
export type RampVerdict = 'peak' | 'still-rising' | 'test-lower' | 'unclear';

export interface RateRamp {
  /** Speed = a + b·rate + c·rate². */
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly rSquared: number;
  /** Rate of the highest speed inside the tested range; null when it is not inside. */
  readonly bestRateSpm: number | null;
  /** Interval of about 90 % from resampling the reps; null without a peak. */
  readonly lowSpm: number | null;
  readonly highSpm: number | null;
  /** For distance: the lowest tested rate that keeps 97 % of the top speed, which has the longest stroke. */
  readonly distanceRateSpm: number | null;
  readonly verdict: RampVerdict;
  /** In words: what it says, or why it says nothing. */
  readonly reason: string;
}

/** Fewer valid reps, or a poorer fit, give no recommendation. */
export const LEAST_RAMP_REPS = 5;
export const LEAST_R_SQUARED = 0.5;
/** Share of the top speed that is kept for distance. */
export const DISTANCE_SHARE = 0.97;

const RESAMPLES = 400;

/**
 * The rate at which a swimmer is fastest, from reps at rising stroke rates: the parabola
 * `v = a + b·SR + c·SR²` by least squares (shape after Craig & Pendergast 1979).
 *
 * The best rate is `−b/2c` where c < 0 and it lies inside the tested range, with an interval from
 * {@link RESAMPLES} seeded resamples of the reps. Outside the range it is not guessed: test higher, or lower.
 *
 * @param reps strokes a minute (every hand entry counts one) with the clean speed in m/s; order does not matter
 * @returns always a verdict; a curve of zeros when fewer than three different rates were swum
 * @throws RangeError when a rate or a speed is not over 0
 * @example
 * rateRamp([50, 54, 58, 62, 66, 70].map((strokeRateSpm) => ({ strokeRateSpm, speedMps: 1.2 - 0.0005 * (strokeRateSpm - 61) ** 2 }))).bestRateSpm // 61
 */
export function rateRamp(reps: readonly RampRep[], seed = 1): RateRamp {
  if (reps.some((r) => !(r.strokeRateSpm > 0 && r.speedMps > 0)))
    throw new RangeError('rates and speeds must be over 0');
  const fit = parabola(reps);
  const none = { bestRateSpm: null, lowSpm: null, highSpm: null, distanceRateSpm: null };
  if (!fit || reps.length < LEAST_RAMP_REPS) {
    const reason = `At least ${LEAST_RAMP_REPS} reps at different rates are needed; there are ${reps.length}.`;
    return { ...(fit ?? { a: 0, b: 0, c: 0, rSquared: 0 }), ...none, verdict: 'unclear', reason };
  }
  if (fit.rSquared < LEAST_R_SQUARED) {
    const reason = 'Speed does not follow the rate in these reps: swim them again, rested, at the beat.';
    return { ...fit, ...none, verdict: 'unclear', reason };
  }
  const rates = reps.map((r) => r.strokeRateSpm);
  const [lowest, highest] = [Math.min(...rates), Math.max(...rates)];
  const speed = (rate: number) => fit.a + fit.b * rate + fit.c * rate * rate;
  const top = topRate(fit);
  const inside = top !== null && top > lowest && top < highest;
  const topSpeed = Math.max(speed(lowest), speed(highest), inside ? speed(top) : 0);
  const distanceRateSpm = Math.min(...rates.filter((rate) => speed(rate) >= DISTANCE_SHARE * topSpeed));
  if (!inside) {
    const rising = speed(highest) > speed(lowest);
    return {
      ...fit,
      ...none,
      distanceRateSpm,
      verdict: rising ? 'still-rising' : 'test-lower',
      reason: rising
        ? `Speed still rises at ${Math.round(highest)}: the best rate is higher than what was tried.`
        : `Speed falls from ${Math.round(lowest)} on: the best rate is lower than what was tried.`,
    };
  }
  const spread = resampled(reps, seed, lowest, highest);
  const lowSpm = spread[Math.floor(spread.length * 0.05)] ?? top;
  const highSpm = spread[Math.floor(spread.length * 0.95)] ?? top;
  return {
    ...fit,
    bestRateSpm: top,
    lowSpm: Math.min(lowSpm, top),
    highSpm: Math.max(highSpm, top),
    distanceRateSpm,
    verdict: 'peak',
    reason: `Fastest at ${Math.round(top)}; from ${Math.round(distanceRateSpm)} on within 3 % of it, with the longest stroke there.`,
  };
}

type Fit = Pick<RateRamp, 'a' | 'b' | 'c' | 'rSquared'>;

const topRate = ({ b, c }: Pick<Fit, 'b' | 'c'>): number | null => (c < 0 ? -b / (2 * c) : null);

/** Least squares of a parabola, around the mean rate so that the sums stay small; null with fewer than three rates. */
function parabola(reps: readonly RampRep[]): Fit | null {
  if (new Set(reps.map((r) => r.strokeRateSpm)).size < 3) return null;
  const n = reps.length;
  const mid = reps.reduce((sum, r) => sum + r.strokeRateSpm, 0) / n;
  let [s2, s3, s4, sy, sxy, sxxy, s1] = [0, 0, 0, 0, 0, 0, 0];
  for (const { strokeRateSpm, speedMps } of reps) {
    const x = strokeRateSpm - mid;
    s1 += x;
    s2 += x * x;
    s3 += x ** 3;
    s4 += x ** 4;
    sy += speedMps;
    sxy += x * speedMps;
    sxxy += x * x * speedMps;
  }
  // Normal equations by Cramer's rule.
  const det3 = (m: readonly number[]) =>
    m[0]! * (m[4]! * m[8]! - m[5]! * m[7]!) -
    m[1]! * (m[3]! * m[8]! - m[5]! * m[6]!) +
    m[2]! * (m[3]! * m[7]! - m[4]! * m[6]!);
  const det = det3([n, s1, s2, s1, s2, s3, s2, s3, s4]);
  const p = det3([sy, s1, s2, sxy, s2, s3, sxxy, s3, s4]) / det;
  const q = det3([n, sy, s2, s1, sxy, s3, s2, sxxy, s4]) / det;
  const c = det3([n, s1, sy, s1, s2, sxy, s2, s3, sxxy]) / det;
  const mean = sy / n;
  let [residual, total] = [0, 0];
  for (const { strokeRateSpm, speedMps } of reps) {
    const x = strokeRateSpm - mid;
    residual += (speedMps - p - q * x - c * x * x) ** 2;
    total += (speedMps - mean) ** 2;
  }
  return {
    a: p - q * mid + c * mid * mid,
    b: q - 2 * c * mid,
    c,
    rSquared: total === 0 ? 0 : Math.max(0, 1 - residual / total),
  };
}

/** The best rates of resampled reps, rising; those without a peak count as the end of the range they point to. */
function resampled(reps: readonly RampRep[], seed: number, lowest: number, highest: number): number[] {
  const out: number[] = [];
  for (let k = 0; k < RESAMPLES; k++) {
    const fit = parabola(reps.map((_, i) => reps[Math.floor(seeded(seed, k * reps.length + i) * reps.length)]!));
    const top = fit && topRate(fit);
    if (top !== null) out.push(Math.min(highest, Math.max(lowest, top)));
  }
  return out.sort((a, b) => a - b);
}
