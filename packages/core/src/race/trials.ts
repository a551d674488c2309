import { criticalSpeed, type Trial, type TrialsProblem, UnusableTrials } from '../measures';

/** Distances that say something about a race. */
const LEAST_TRIAL_M = 100;

/**
 * The all-out swims that a prediction rests on: the fastest recent one of each distance, when they fit together,
 * or else the best times.
 *
 * @example chosenTrials([], [{ distanceM: 50, timeS: 35 }]) // []: a sprint says nothing about a race
 */
export function chosenTrials(recent: readonly Trial[], bests: readonly Trial[]): readonly Trial[] {
  const late = fastest(recent);
  const best = fastest(bests);
  return fits(late) ? late : fits(best) ? best : late.length > 0 ? late.slice(-1) : best.slice(-1);
}

/** The fastest of each distance that says something about a race, the shortest first. */
function fastest(trials: readonly Trial[]): Trial[] {
  const byDistance = new Map<number, Trial>();
  for (const t of trials) {
    const known = byDistance.get(t.distanceM);
    if (t.distanceM >= LEAST_TRIAL_M && (!known || t.timeS < known.timeS)) byDistance.set(t.distanceM, t);
  }
  return [...byDistance.values()].sort((a, b) => a.distanceM - b.distanceM);
}

/**
 * What contradicts in the swims that a prediction could rest on: the recent ones, or else the best times; null where
 * nothing does.
 *
 * @example contradiction([], [{ distanceM: 200, timeS: 165 }, { distanceM: 400, timeS: 160 }])!.wrong // 'not-slower'
 */
export function contradiction(recent: readonly Trial[], bests: readonly Trial[]): TrialsProblem | null {
  for (const trials of [fastest(recent), fastest(bests)]) {
    const problem = trials.length < 2 ? null : problemOf(trials);
    if (problem) return problem;
  }
  return null;
}

/** Whether critical speed can be told from these swims. */
export const fits = (trials: readonly Trial[]): boolean => trials.length >= 2 && problemOf(trials) === null;

function problemOf(trials: readonly Trial[]): TrialsProblem | null {
  try {
    criticalSpeed(trials);
    return null;
  } catch (error) {
    if (error instanceof UnusableTrials) return error.problem;
    throw error;
  }
}
