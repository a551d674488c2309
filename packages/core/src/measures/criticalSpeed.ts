/** Nobody swims faster, even over 25 m: what is faster was typed wrong. */
export const FASTEST_MPS = 2.6;

export interface Trial {
  readonly distanceM: number;
  readonly timeS: number;
}

export interface CriticalSpeed {
  readonly criticalSpeedMps: number;
  readonly dPrimeM: number;
  readonly paceSPer100m: number;
  /** Standard error of the critical speed; null with two trials, where the line fits exactly. */
  readonly standardErrorMps: number | null;
}

/** What is wrong with all-out swims. */
export type TrialsProblem =
  | { readonly wrong: 'no-swim' | 'one-distance' }
  | { readonly wrong: 'not-slower'; readonly longerM: number; readonly shorterM: number }
  | { readonly wrong: 'not-all-out'; readonly distanceM: number };

/** The same for the coach. @example trialsWords({ wrong: 'one-distance' }) // 'At least two different distances are needed.' */
export function trialsWords(problem: TrialsProblem): string {
  if (problem.wrong === 'not-slower')
    return `${problem.longerM} m is not slower than ${problem.shorterM} m: check these two times.`;
  if (problem.wrong === 'not-all-out')
    return `The ${problem.distanceM} m was probably not all-out: it is slower than the longer swims allow.`;
  return problem.wrong === 'no-swim'
    ? 'At least one all-out swim is needed.'
    : 'At least two different distances are needed.';
}

/** Why trials give no critical speed. */
export class UnusableTrials extends RangeError {
  constructor(readonly problem: TrialsProblem) {
    super(trialsWords(problem));
  }
}

/**
 * Critical speed and D′ from all-out swims: the line `d = CS·t + D′` by least squares
 * (Wakayoshi et al. 1992; Dekerle et al. 2002).
 *
 * @param trials two or more distances, swum all-out on separate efforts
 * @throws UnusableTrials with fewer than two distances, times that do not rise with the distance, or D′ < 0
 * @example
 * criticalSpeed([{ distanceM: 200, timeS: 165 }, { distanceM: 400, timeS: 352 }]).criticalSpeedMps // 1.0695
 */
export function criticalSpeed(trials: readonly Trial[]): CriticalSpeed {
  const sorted = [...trials].sort((a, b) => a.distanceM - b.distanceM);
  if (new Set(sorted.map((t) => t.distanceM)).size < 2) {
    throw new UnusableTrials({ wrong: 'one-distance' });
  }
  for (let i = 1; i < sorted.length; i++) {
    const shorter = sorted[i - 1]!;
    const longer = sorted[i]!;
    if (longer.distanceM > shorter.distanceM && longer.timeS <= shorter.timeS) {
      throw new UnusableTrials({ wrong: 'not-slower', longerM: longer.distanceM, shorterM: shorter.distanceM });
    }
  }
  const n = sorted.length;
  const meanT = sum(sorted, (t) => t.timeS) / n;
  const meanD = sum(sorted, (t) => t.distanceM) / n;
  const spreadT = sum(sorted, (t) => (t.timeS - meanT) ** 2);
  const criticalSpeedMps = sum(sorted, (t) => (t.timeS - meanT) * (t.distanceM - meanD)) / spreadT;
  const dPrimeM = meanD - criticalSpeedMps * meanT;
  if (dPrimeM < 0) {
    throw new UnusableTrials({ wrong: 'not-all-out', distanceM: sorted[0]!.distanceM });
  }
  const residual = sum(sorted, (t) => (t.distanceM - dPrimeM - criticalSpeedMps * t.timeS) ** 2);
  const standardErrorMps = n > 2 ? Math.sqrt(residual / (n - 2) / spreadT) : null;
  return { criticalSpeedMps, dPrimeM, paceSPer100m: 100 / criticalSpeedMps, standardErrorMps };
}

function sum<T>(items: readonly T[], of: (item: T) => number): number {
  return items.reduce((total, item) => total + of(item), 0);
}

/** From this distance on a pool race is swum near critical speed, metres. */
export const NEAR_CRITICAL_FROM_M = 800;

/**
 * Whether a race is swum near critical speed, so that its speed belongs on the same chart: everything outside, and long
 * races in a pool.
 *
 * @example isNearCritical({ place: 'pool', distanceM: 400 }) // false
 */
export function isNearCritical({ place, distanceM }: { readonly place: string; readonly distanceM: number }): boolean {
  return place === 'open-water' || distanceM >= NEAR_CRITICAL_FROM_M;
}
