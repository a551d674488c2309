import { criticalSpeed, type Trial } from '../measures';
import { formatTime } from '../units';
import { assumed } from './assumed';
import { daysBetween } from '../days';
import { tooFarForTheAge, type RaceChoices, type RaceFacts } from './facts';
import { raceGap, type RaceGap } from './raceGap';
import { fits } from './trials';

/** Today's answer to a goal, or why there is none yet. */
export type Outlook =
  | {
      readonly kind: 'gap';
      readonly gap: RaceGap;
      /** Critical speed today and as the target asks, m/s; null with one trial. */
      readonly criticalSpeed: { readonly todayMps: number; readonly neededMps: number } | null;
      /** From today's rate to the one that would do it all at today's stroke length, strokes a minute. */
      readonly rateBand: readonly [number, number];
    }
  | { readonly kind: 'none'; readonly reason: string };

/**
 * How far the swimmer is from the target today; honest where nothing can be said.
 *
 * @param today ISO date
 * @param seed of the simulated races
 */
export function raceOutlook(facts: RaceFacts, choices: RaceChoices, today: string, seed = 1): Outlook {
  const days = daysBetween(today, facts.raceOn);
  if (days < 0) return { kind: 'none', reason: 'The race is over: choose the next one.' };
  const far = tooFarForTheAge(facts, choices);
  if (far !== null) return { kind: 'none', reason: far };
  if (facts.targetS === null) return { kind: 'none', reason: 'No target time: set one in the goal to see the gap.' };
  if (facts.trials.length === 0)
    return {
      kind: 'none',
      reason: `No all-out swim yet, so there is no prediction. The target needs ${formatTime((facts.targetS / facts.distanceM) * 100, 1)} per 100 m over the course; a timed 200 and 400 m would show how far off that is.`,
    };
  const assumptions = assumed(facts, choices);
  if (facts.targetS <= assumptions.then.lostS)
    return { kind: 'none', reason: 'The target is shorter than the time lost at turns: check both.' };
  try {
    const gap = raceGap({
      targetS: facts.targetS,
      race: {
        courseM: choices.courseM ?? facts.distanceM,
        wetsuitGain: assumptions.wetsuitGain,
        currentMps: assumptions.currentMps,
        weeksLeft: days / 7,
      },
      trials: facts.trials,
      today: assumptions.today,
      then: assumptions.then,
      growth: assumptions.growth,
      rateSpm: assumptions.rateSpm,
      seed,
    });
    return {
      kind: 'gap',
      gap,
      criticalSpeed: criticalSpeedNeeded(facts.trials, gap, assumptions.rateSpm),
      rateBand: [assumptions.rateSpm, Math.max(assumptions.rateSpm, (gap.neededMps * 60) / gap.strokeLengthM)],
    };
  } catch (error) {
    // A current that carries back, or swims that do not fit together: said, not hidden.
    if (error instanceof RangeError) return { kind: 'none', reason: error.message };
    throw error;
  }
}

/** As much more critical speed as the target asks more speed. */
function criticalSpeedNeeded(trials: readonly Trial[], { neededMps, strokeLengthM }: RaceGap, rateSpm: number) {
  if (!fits(trials)) return null;
  const todayMps = criticalSpeed(trials).criticalSpeedMps;
  return { todayMps, neededMps: (todayMps * neededMps * 60) / (strokeLengthM * rateSpm) };
}
