import { criticalSpeed, UnusableTrials, type Trial } from './criticalSpeed';

/** Growth of time with distance for swimmers without long results (Riegel 1981). */
export const DEFAULT_EXPONENT = 1.03;

/** Exponents outside this band come from a bad trial, not from a swimmer. */
const EXPONENT_BAND = [1.0, 1.15] as const;

/**
 * How sure a time is, as a share of it: by as much at the distance of the longest trial, and by so much more for the
 * square of the logarithm of how many times farther the race is. ±2 % at twice as far, ±8 % at seven times.
 */
const SURE = { near: 0.011, farther: 0.018 } as const;

/** More than this says nothing but that it is not known. */
const MOST_UNSURE = 0.5;

/** The line of critical speed holds for efforts of 3 to 40 minutes. */
export const CRITICAL_SPEED_RANGE_S = [180, 2400] as const;

export interface RaceTime {
  readonly timeS: number;
  readonly lowS: number;
  readonly highS: number;
  readonly method: 'critical-speed' | 'power-law';
}

/**
 * The time to expect over a distance, with an interval of about 95 %.
 *
 * Between 3 and 40 minutes by critical speed, `t = (d − D′)/CS`; beyond, or with one trial only, by
 * the power law `t₂ = t₁·(d₂/d₁)^k` with k from the swimmer's own results, else 1.03 (Riegel 1981).
 * The interval is never narrower than ±1.5 %, ±4 % when k is not the swimmer's own, and it widens with every time that
 * the race is farther than the longest trial.
 *
 * @param trials all-out swims, one at least
 * @param distanceM the race, over 0
 * @throws UnusableTrials without a trial
 * @example
 * raceTime([{ distanceM: 200, timeS: 165 }, { distanceM: 400, timeS: 352 }], 1500).method // 'critical-speed'
 */
export function raceTime(trials: readonly Trial[], distanceM: number): RaceTime {
  if (trials.length === 0) throw new UnusableTrials({ wrong: 'no-swim' });
  const beyond = Math.max(1, distanceM / Math.max(...trials.map((t) => t.distanceM)));
  const unsure = Math.min(MOST_UNSURE, SURE.near + SURE.farther * Math.log(beyond) ** 2);
  if (new Set(trials.map((t) => t.distanceM)).size >= 2) {
    const { criticalSpeedMps, dPrimeM, standardErrorMps } = criticalSpeed(trials);
    const timeS = (distanceM - dPrimeM) / criticalSpeedMps;
    if (timeS >= CRITICAL_SPEED_RANGE_S[0] && timeS <= CRITICAL_SPEED_RANGE_S[1]) {
      const share = Math.max(0.015, unsure, (2 * (standardErrorMps ?? 0)) / criticalSpeedMps);
      return { timeS, lowS: timeS * (1 - share), highS: timeS * (1 + share), method: 'critical-speed' };
    }
  }
  const base = nearest(trials, distanceM);
  const own = ownExponent(trials);
  const timeS = base.timeS * (distanceM / base.distanceM) ** (own ?? DEFAULT_EXPONENT);
  const share = Math.max(own === null ? 0.04 : 0.015, unsure);
  return { timeS, lowS: timeS * (1 - share), highS: timeS * (1 + share), method: 'power-law' };
}

function nearest(trials: readonly Trial[], distanceM: number): Trial {
  const away = (t: Trial) => Math.abs(Math.log(t.distanceM / distanceM));
  return trials.reduce((best, t) => (away(t) < away(best) ? t : best));
}

/** The swimmer's own exponent from the shortest and the longest trial, or null. */
function ownExponent(trials: readonly Trial[]): number | null {
  const sorted = [...trials].sort((a, b) => a.distanceM - b.distanceM);
  const first = sorted[0]!;
  const last = sorted[sorted.length - 1]!;
  if (last.distanceM / first.distanceM < 2) return null;
  const k = Math.log(last.timeS / first.timeS) / Math.log(last.distanceM / first.distanceM);
  return k >= EXPONENT_BAND[0] && k <= EXPONENT_BAND[1] ? k : null;
}
