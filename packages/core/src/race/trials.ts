import { criticalSpeed, UnusableTrials, type Trial } from '../measures';

/** Distances that say something about a race. */
const LEAST_TRIAL_M = 100;

/**
 * The all-out swims that a prediction rests on: the fastest recent one of each distance, when they fit together,
 * or else the best times.
 *
 * @example chosenTrials([], [{ distanceM: 50, timeS: 35 }]) // []: a sprint says nothing about a race
 */
export function chosenTrials(recent: readonly Trial[], bests: readonly Trial[]): readonly Trial[] {
  const fastest = (trials: readonly Trial[]) => {
    const byDistance = new Map<number, Trial>();
    for (const t of trials) {
      const known = byDistance.get(t.distanceM);
      if (t.distanceM >= LEAST_TRIAL_M && (!known || t.timeS < known.timeS)) byDistance.set(t.distanceM, t);
    }
    return [...byDistance.values()].sort((a, b) => a.distanceM - b.distanceM);
  };
  const late = fastest(recent);
  const best = fastest(bests);
  return fits(late) ? late : fits(best) ? best : late.length > 0 ? late.slice(-1) : best.slice(-1);
}

/** Whether critical speed can be told from these swims. */
export function fits(trials: readonly Trial[]): boolean {
  if (trials.length < 2) return false;
  try {
    criticalSpeed(trials);
    return true;
  } catch (error) {
    if (error instanceof UnusableTrials) return false;
    throw error;
  }
}
